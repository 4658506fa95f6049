<script lang="ts">
	import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';
	import { GLOSSARY, type GlossaryKey } from '../wording/glossary.ts';

	interface Props {
		of: GlossaryKey;
		/** The word it belongs to. */
		trigger: HTMLElement;
		onClose: () => void;
	}
	let { of, trigger, onClose }: Props = $props();
	const entry = $derived(GLOSSARY[of]);
</script>

<Popover
	open
	positioning={{ placement: 'bottom-start', getAnchorElement: () => trigger }}
	persistentElements={[() => trigger]}
	onOpenChange={({ open }) => {
		if (!open) onClose();
	}}
>
	<Portal>
		<Popover.Positioner>
			<Popover.Content class="meaning">
				<Popover.Title class="font-bold">{entry.word}</Popover.Title>
				<Popover.Description>{entry.meaning}.</Popover.Description>
			</Popover.Content>
		</Popover.Positioner>
	</Portal>
</Popover>

<style>
	:global(.meaning) {
		z-index: 30;
		max-width: min(360px, 92vw);
		padding: 12px 14px;
		border: 2px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
	}
</style>
