<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		role: 'status' | 'alert';
		/** One or two words for what is the matter. */
		label: string;
		children: Snippet;
		/** How it is found. */
		[data: `data-${string}`]: string | boolean;
	}
	let { role, label, children, ...data }: Props = $props();
</script>

<p class="note" {role} {...data}>
	<span class="act-now px-2">{label}</span>
	{@render children()}
</p>

<style>
	.note {
		padding: 8px 20px;
		background: var(--sheet);
		border-bottom: 1px solid var(--line);
	}
	@media print {
		.note {
			display: none;
		}
	}
</style>
