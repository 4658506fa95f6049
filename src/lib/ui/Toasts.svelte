<script lang="ts">
	import { createToaster, Toast } from '@skeletonlabs/skeleton-svelte';

	interface Props {
		/** What was done last. */
		said: { readonly text: string };
	}
	let { said }: Props = $props();
	const toaster = createToaster({ placement: 'top', offsets: '64px', max: 2, overlap: false });
	$effect(() => {
		const title = said.text;
		// The group listens only once it stands on the page.
		const frame = requestAnimationFrame(() => toaster.create({ title, duration: 4000 }));
		return () => cancelAnimationFrame(frame);
	});
</script>

<Toast.Group {toaster} class="toasts">
	{#snippet children(toast)}
		<Toast {toast} class="toast">
			<Toast.Message>
				<Toast.Title class="font-bold">{toast.title}</Toast.Title>
			</Toast.Message>
			<Toast.CloseTrigger class="action-small w-auto!" aria-label="Close">Close</Toast.CloseTrigger>
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
		transition: none !important;
	}
	@media print {
		:global(.toasts) {
			display: none !important;
		}
	}
</style>
