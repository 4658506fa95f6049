<script lang="ts">
	import { BAKERY_LIMITS, type Break, type Shift } from '../../../core/bakery/index.ts';
	import type { WallTime } from '../../../core/time/index.ts';
	import TimeField from '../../../fields/TimeField.svelte';
	import NumberField from '../../../fields/NumberField.svelte';
	import Figure from './Figure.svelte';

	interface Props {
		/** Which one it is, for those who hear it. */
		name: string;
		shift: Shift;
		onSet: (change: { from?: WallTime; minutes?: number; breaks?: readonly Break[] }) => void;
	}
	let { name, shift, onSet }: Props = $props();
	/** In the middle of it (our default). */
	const FIRST_BREAK_MINUTES = 30;
	const setBreak = (at: number, change: Partial<Break>) =>
		onSet({
			breaks: shift.breaks.map((one, index) => (index === at ? { ...one, ...change } : one))
		});
	function later(time: WallTime, minutes: number): WallTime {
		const [hours = 0, rest = 0] = time.split(':').map(Number);
		const at = (hours * 60 + rest + minutes) % 1440;
		const two = (number: number) => String(number).padStart(2, '0');
		return `${two(Math.floor(at / 60))}:${two(at % 60)}` as WallTime;
	}
</script>

<TimeField
	bare
	label="Begins, {name}"
	value={shift.from}
	onSet={(from: WallTime) => onSet({ from })}
/>
<span>for</span>
<NumberField
	bare
	label="Hours, {name}"
	value={shift.minutes / 60}
	unit="h"
	decimals={2}
	least={BAKERY_LIMITS.shiftMinutes.least / 60}
	most={BAKERY_LIMITS.shiftMinutes.most / 60}
	onSet={(hours: number | null) => hours !== null && onSet({ minutes: Math.round(hours * 60) })}
/>
<span class="text-ink-2">to {later(shift.from, shift.minutes)}</span>
{#each shift.breaks as one, at (at)}
	<span class="flex flex-wrap items-center gap-2">
		break
		<TimeField
			bare
			label="Break {at + 1} begins, {name}"
			value={one.from}
			onSet={(from: WallTime) => setBreak(at, { from })}
		/>
		<Figure
			bare
			of="breakMinutes"
			label="Break {at + 1} lasts, {name}"
			value={one.minutes}
			unit="min"
			onSet={(minutes: number) => setBreak(at, { minutes })}
		/>
		<button
			type="button"
			class="action-small"
			aria-label="No break: {at + 1} of {name}"
			onclick={() => onSet({ breaks: shift.breaks.filter((_, index) => index !== at) })}
			>No break</button
		>
	</span>
{/each}
<button
	type="button"
	class="action-small"
	aria-label="Add a break, {name}"
	onclick={() =>
		onSet({
			breaks: [
				...shift.breaks,
				{ from: later(shift.from, Math.round(shift.minutes / 2)), minutes: FIRST_BREAK_MINUTES }
			]
		})}>Add a break</button
>
