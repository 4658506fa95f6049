<script lang="ts">
	import { WEEKDAYS } from '../wording/entry-text.ts';

	interface Props {
		label: string;
		/** Monday is 1 and Sunday 7. */
		value: readonly number[];
		onSet: (value: readonly number[]) => void;
	}
	let { label, value, onSet }: Props = $props();
	const toggled = (day: number) =>
		value.includes(day)
			? value.filter((other) => other !== day)
			: [...value, day].sort((a, b) => a - b);
</script>

<fieldset class="py-1">
	<legend>{label}</legend>
	<div class="mt-1 flex flex-wrap gap-1">
		{#each WEEKDAYS as day, at (day)}
			<button
				type="button"
				class="day"
				aria-pressed={value.includes(at + 1)}
				onclick={() => onSet(toggled(at + 1))}>{day.slice(0, 3)}</button
			>
		{/each}
	</div>
</fieldset>

<style>
	.day {
		min-width: 48px;
		min-height: 44px;
		border: 2px solid var(--edge);
		cursor: pointer;
	}
	.day[aria-pressed='true'] {
		border-color: var(--ink);
		background: var(--ink);
		color: var(--sheet);
		font-weight: 700;
	}
</style>
