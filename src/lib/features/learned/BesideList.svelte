<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What is listed. */
		label: string;
		/** What is looked at, of a list; each leads to an address that is resolved already. */
		rows: readonly {
			readonly id: string;
			readonly name: string;
			readonly note: string;
			readonly href: string;
		}[];
		current: string | null;
		children: Snippet;
	}
	let { label, rows, current, children }: Props = $props();
</script>

<div class="beside">
	<nav aria-label={label} class={rows.length > 0 ? 'border border-line bg-sheet' : ''}>
		{#each rows as { id, name, note, href } (id)}
			<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved by who lists it -->
			<a class="row" {href} aria-current={id === current ? 'page' : undefined}>
				<b>{name}</b>
				<span class="shrink-0 whitespace-nowrap text-ink-2">{note}</span>
			</a>
		{/each}
	</nav>
	{@render children()}
</div>

<style>
	.beside {
		display: grid;
		grid-template-columns: 260px minmax(0, 1fr);
		gap: 16px;
		align-items: start;
		padding: 0 20px 20px;
	}
	.row {
		display: flex;
		justify-content: space-between;
		gap: 10px;
		min-height: 44px;
		align-items: center;
		padding: 4px 14px;
		border-bottom: 1px solid var(--line);
		border-left: 6px solid transparent;
		text-decoration: none;
	}
	.row[aria-current] {
		border-left-color: var(--ink);
		background: var(--ground);
	}
	@media (max-width: 900px) {
		.beside {
			grid-template-columns: 1fr;
		}
	}
</style>
