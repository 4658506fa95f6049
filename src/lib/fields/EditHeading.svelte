<script lang="ts">
	import { onMount } from 'svelte';
	import { followUndoKeys, type History } from '../client/undo-keys.ts';
	import RoomHeading from '../ui/RoomHeading.svelte';

	interface Props {
		sentence: string;
		note: string;
		saveLabel: string;
		canSave: boolean;
		history: History;
		onSave: () => void;
	}
	let { sentence, note, saveLabel, canSave, history, onSave }: Props = $props();

	onMount(() => followUndoKeys(() => history));
</script>

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
