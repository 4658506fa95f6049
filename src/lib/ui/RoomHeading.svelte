<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** How things stand, in one sentence. */
		sentence: string;
		note?: string;
		actions?: Snippet;
	}
	let { sentence, note = '', actions }: Props = $props();
</script>

<header class="heading">
	<div class="words">
		<h1 data-room-sentence>{sentence}</h1>
		{#if note}<p class="text-ink-2" data-room-note>{note}</p>{/if}
	</div>
	{#if actions}<div class="ml-auto flex flex-wrap gap-3 print:hidden">{@render actions()}</div>{/if}
</header>

<style>
	.heading {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 12px 24px;
		padding: 16px 20px;
	}
	.words {
		flex: 1 1 300px;
	}
	@media print {
		.heading {
			padding: 0 0 6px;
		}
	}
</style>
