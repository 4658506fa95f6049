<script lang="ts">
	import { FIRST_CUT_OFF, minutesBeforeDue, type DropContent } from '../../../core/bakery/index.ts';
	import type { WallTime } from '../../../core/time/index.ts';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import TimeField from '../../../fields/TimeField.svelte';
	import WeekdaysField from '../../../fields/WeekdaysField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'drop'> = $props();
	const set = (change: Partial<DropContent>) => onSet({ ...content, ...change });
	const MINUTES = ['pickingMinutes', 'loadingMinutes', 'roadMinutes'] as const;
	const before = $derived(minutesBeforeDue(content));
	const readyBy = $derived.by(() => {
		const [hours = 0, minutes = 0] = content.dueTime.split(':').map(Number);
		const at = (hours * 60 + minutes - before + 2 * 1440) % 1440;
		const two = (number: number) => String(number).padStart(2, '0');
		return `${two(Math.floor(at / 60))}:${two(at % 60)}`;
	});
</script>

<TimeField
	label={ENTRY_FIELD_TEXT.dueTime}
	value={content.dueTime}
	onSet={(dueTime: WallTime) => set({ dueTime })}
/>
<WeekdaysField
	label={ENTRY_FIELD_TEXT.weekdays}
	value={content.weekdays}
	onSet={(weekdays: readonly number[]) => set({ weekdays })}
/>
{#each MINUTES as field (field)}
	<Figure
		of="legMinutes"
		label={ENTRY_FIELD_TEXT[field]}
		value={content[field]}
		unit="min"
		onSet={(minutes: number) => set({ [field]: minutes })}
	/>
{/each}
<SwitchField
	label="Orders are taken until a fixed time"
	checked={content.cutOff !== null}
	onSet={(agreed) => set({ cutOff: agreed ? FIRST_CUT_OFF : null })}
/>
{#if content.cutOff}
	{@const cutOff = content.cutOff}
	<TimeField
		label={ENTRY_FIELD_TEXT.cutOff}
		value={cutOff.time}
		onSet={(time: WallTime) => set({ cutOff: { ...cutOff, time } })}
	/>
	<Figure
		of="cutOffDays"
		value={cutOff.daysBefore}
		onSet={(daysBefore: number) => set({ cutOff: { ...cutOff, daysBefore } })}
	/>
{/if}
<p data-ready-by>
	{before === 0
		? `Bread is packed by ${content.dueTime}.`
		: `Bread is packed by ${readyBy}, ${before} min before it is due.`}
</p>
