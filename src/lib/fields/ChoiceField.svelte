<script lang="ts">
	import Choice from '../ui/Choice.svelte';
	import type { ChoiceOption } from '../ui/choice.ts';

	interface Props {
		label: string;
		/** What those who hear it are told, where that is not its label. */
		name?: string;
		options: readonly ChoiceOption[];
		value: string;
		placeholder?: string;
		onSet: (value: string) => void;
	}
	let { label, name, options, value, placeholder = 'Type to search', onSet }: Props = $props();
</script>

<div class="row">
	<span>{label}</span>
	<Choice label={name ?? label} {options} {value} {placeholder} {onSet} />
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 220px);
		align-items: center;
		gap: 2px 12px;
		padding: 2px 0;
	}
</style>
