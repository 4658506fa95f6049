<script lang="ts">
	import type { Snippet } from 'svelte';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { ENTRY_PATHS } from '../../contracts/entry-paths.ts';
	import { mayRole } from '../../contracts/rights.ts';
	import { ENTRY_KINDS, type EntryKind } from '../../core/bakery/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { ENTRY_KIND_TEXT } from '../../wording/entry-text.ts';

	interface Props {
		date: string;
		counts: Readonly<Record<EntryKind, number>>;
		/** The path of the page that is open, behind the bakery's. */
		current: string;
		sentence: string;
		note: string;
		actions?: Snippet;
		children: Snippet;
	}
	const room = useRoom();
	let { date, counts, current, sentence, note, actions, children }: Props = $props();

	const pages = $derived([
		{ path: '', name: 'The bakery', count: null },
		...ENTRY_KINDS.map((kind) => ({
			path: ENTRY_PATHS[kind],
			name: ENTRY_KIND_TEXT[kind].many,
			count: counts[kind]
		})),
		{ path: 'water', name: 'Water and ice', count: null },
		{ path: 'devices', name: 'Devices', count: null },
		...(mayRole(room.bakery.actor.role, 'keep-the-house')
			? [
					{ path: 'doors', name: 'Doors', count: null },
					{ path: 'changes', name: 'Who changed what', count: null }
				]
			: [])
	]);
</script>

<RoomHeading {sentence} {note} {...actions ? { actions } : {}} />
<div class="bakery">
	<nav aria-label="The bakery" class="print:hidden">
		<ul>
			{#each pages as { path, name, count } (path)}
				<li>
					<a
						href={resolve(`/bake/${date}/bakery${path === '' ? '' : `/${path}`}`)}
						aria-current={path === current ? 'page' : undefined}
						><span>{name}</span>{#if count !== null}<span class="count">{count}</span>{/if}</a
					>
				</li>
			{/each}
		</ul>
	</nav>
	<div class="min-w-0">{@render children()}</div>
</div>

<style>
	.bakery {
		display: grid;
		grid-template-columns: 200px minmax(0, 1fr);
		gap: 16px;
		align-items: start;
		padding: 0 20px 20px;
	}
	nav a {
		display: flex;
		justify-content: space-between;
		gap: 12px;
		min-height: 40px;
		padding: 8px 10px;
		border-left: 4px solid transparent;
		text-decoration: none;
	}
	nav a[aria-current] {
		border-left-color: var(--ink);
		background: var(--sheet);
		font-weight: 700;
	}
	.count {
		color: var(--ink-2);
	}
	@media (pointer: coarse) {
		nav a {
			min-height: 44px;
		}
	}
	@media (max-width: 900px) {
		.bakery {
			grid-template-columns: minmax(0, 1fr);
			padding: 0 10px 20px;
		}
		nav ul {
			display: flex;
			overflow-x: auto;
		}
		nav a {
			border-left: 0;
			border-bottom: 4px solid transparent;
			white-space: nowrap;
		}
		nav a[aria-current] {
			border-bottom-color: var(--ink);
		}
	}
</style>
