<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What it is found by. */
		name: string;
		/** It is the one that stands open beside the list. */
		current: boolean;
		onSelect: () => void;
		children: Snippet;
	}
	let { name, current, onSelect, children }: Props = $props();
</script>

<button class="row" aria-current={current ? 'true' : undefined} data-row={name} onclick={onSelect}
	>{@render children()}</button
>

<style>
	.row {
		display: flex;
		align-items: center;
		gap: 12px;
		width: 100%;
		min-height: 64px;
		padding: 6px 14px;
		border-bottom: 1px solid var(--line);
		border-left: 6px solid transparent;
		text-align: left;
		cursor: pointer;
	}
	.row[aria-current] {
		border-left-color: var(--ink);
		background: var(--ground);
	}
</style>
