<script lang="ts">
	import RoomHeading from '../../../ui/RoomHeading.svelte';

	interface Props {
		sentence: string;
		note: string;
		saveLabel: string;
		canSave: boolean;
		history: {
			readonly canUndo: boolean;
			readonly canRedo: boolean;
			undo: () => void;
			redo: () => void;
		};
		onSave: () => void;
	}
	let { sentence, note, saveLabel, canSave, history, onSave }: Props = $props();

	function keys(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
		if (event.target instanceof HTMLInputElement) return;
		event.preventDefault();
		if (event.shiftKey) history.redo();
		else history.undo();
	}
</script>

<svelte:window onkeydown={keys} />

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		<button class="action-lesser" disabled={!history.canUndo} onclick={() => history.undo()}
			>Undo</button
		>
		<button class="action-lesser" disabled={!history.canRedo} onclick={() => history.redo()}
			>Redo</button
		>
		<button class="action" disabled={!canSave} onclick={onSave}>{saveLabel}</button>
	{/snippet}
</RoomHeading>
