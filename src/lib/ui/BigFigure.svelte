<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What it is, above it. */
		name: string;
		/** Read from the other side of the room, or from arm's length. */
		size: 'large' | 'middle';
		/** The figure. */
		children: Snippet;
		/** What is said beside it, smaller. */
		beside?: string;
	}
	let { name, size, children, beside = '' }: Props = $props();
</script>

<p>
	<span class="name">{name}</span>
	<span class={size}>{@render children()}</span>
	{#if beside}<span class="beside">{beside}</span>{/if}
</p>

<style>
	.name {
		display: block;
		color: var(--ink-2);
		font-size: 19px;
	}
	.large {
		font-size: 54px;
		font-weight: 800;
		line-height: 1.05;
	}
	.middle {
		font-size: var(--middle-figure, 34px);
		font-weight: 800;
		line-height: 1.15;
	}
	.beside {
		font-size: 19px;
		font-weight: 700;
	}
</style>
