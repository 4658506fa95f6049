<script lang="ts">
	import { createToaster, Toast } from '@skeletonlabs/skeleton-svelte';

	interface Props {
		/** What was done last. */
		said: { readonly text: string };
	}
	let { said }: Props = $props();
	const toaster = createToaster({ placement: 'top', offsets: '64px', max: 2, overlap: false });
	$effect(() => {
		toaster.create({ title: said.text, duration: 4000 });
	});
</script>

<Toast.Group {toaster} class="toasts">
	{#snippet children(toast)}
		<Toast {toast} class="toast">
			<Toast.Message>
				<Toast.Title class="font-bold">{toast.title}</Toast.Title>
			</Toast.Message>
			<Toast.CloseTrigger class="action-small">Close</Toast.CloseTrigger>
		</Toast>
	{/snippet}
</Toast.Group>

<style>
	:global(.toast) {
		display: flex;
		align-items: center;
		gap: 16px;
		max-width: min(420px, 92vw);
		padding: 12px 14px;
		border: 2px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
	}
	@media print {
		:global(.toasts) {
			display: none !important;
		}
	}
</style>
