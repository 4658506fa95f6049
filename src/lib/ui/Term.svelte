<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { GlossaryKey } from '../wording/glossary.ts';

	interface Props {
		/** The word of the glossary that opens. */
		of: GlossaryKey;
		/** How it reads where it stands. */
		children: Snippet;
	}
	let { of, children }: Props = $props();
	/** A page has dozens of terms: what tells their meanings is fetched with the first that is asked for. */
	let isOpen = $state(false);
	let trigger: HTMLButtonElement | undefined = $state();
</script>

<button
	bind:this={trigger}
	type="button"
	class="term"
	aria-haspopup="dialog"
	aria-expanded={isOpen}
	data-term={of}
	onclick={() => (isOpen = !isOpen)}>{@render children()}</button
>{#if isOpen && trigger}{#await import('./Meaning.svelte') then { default: Meaning }}<Meaning
			{of}
			{trigger}
			onClose={() => {
				isOpen = false;
				trigger?.focus();
			}}
		/>{/await}{/if}

<style>
	.term {
		padding: 0;
		font: inherit;
		color: inherit;
		text-align: left;
		cursor: help;
		border-bottom: 1px dashed var(--ink-2);
	}
	@media print {
		.term {
			border-bottom: 0;
		}
	}
</style>
