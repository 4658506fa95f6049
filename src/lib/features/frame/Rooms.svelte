<script lang="ts">
	import { resolve } from '$app/paths';
	import type { ActingRole } from '../../contracts/rights.ts';
	import { roomGroupsFor } from './rooms.ts';

	interface Props {
		date: string;
		/** The path of the page that stands open. */
		here: string;
		role: ActingRole;
	}
	let { date, here, role }: Props = $props();

	let pages: HTMLElement | undefined = $state();
	// Where the pages do not all fit beside one another, the one that is open stands in sight.
	$effect(() => {
		const current = pages?.querySelector<HTMLElement>(`a[href$="/${here}"]`);
		if (pages && current)
			pages.scrollLeft = current.offsetLeft - (pages.clientWidth - current.clientWidth) / 2;
	});
</script>

<nav aria-label="Pages" class="rooms" bind:this={pages}>
	<ul>
		{#each roomGroupsFor(role) as group (group.name)}
			{@const isHere = group.rooms.some(({ path }) => path === here)}
			<li class:is-here={isHere}>
				<a class="group" href={resolve(`/bake/${date}/${group.rooms[0]?.path ?? ''}`)}
					>{group.name}</a
				>
				{#if isHere}
					<ul>
						{#each group.rooms as one (one.path)}
							<li>
								<a
									class="room"
									href={resolve(`/bake/${date}/${one.path}`)}
									aria-current={one.path === here ? 'page' : undefined}>{one.name}</a
								>
							</li>
						{/each}
					</ul>
				{/if}
			</li>
		{/each}
	</ul>
</nav>

<style>
	.rooms,
	.rooms ul,
	.rooms li {
		display: flex;
		align-self: stretch;
	}
	.rooms a {
		display: grid;
		place-items: center;
		padding: 4px 10px 0;
		border-bottom: 4px solid transparent;
		text-decoration: none;
		white-space: nowrap;
	}
	.rooms .group {
		color: var(--ink-2);
	}
	/* The group of this page stands open, between two lines. */
	.rooms .is-here {
		margin: 0 6px;
		border: solid var(--line);
		border-width: 0 1px;
	}
	/* The first has the line of the brand. */
	.rooms .is-here:first-child {
		margin-left: 0;
		border-left-width: 0;
	}
	.rooms a[aria-current] {
		font-weight: 700;
		border-bottom-color: var(--ink);
	}
	@media (max-width: 1360px) {
		.rooms a {
			padding: 4px 8px 0;
		}
	}
	@media (pointer: coarse) {
		.rooms a {
			min-width: 44px;
		}
	}
	@media (max-width: 1240px) {
		.rooms {
			order: 5;
			width: 100%;
			overflow-x: auto;
			min-height: 46px;
			border-top: 1px solid var(--line);
		}
	}
</style>
