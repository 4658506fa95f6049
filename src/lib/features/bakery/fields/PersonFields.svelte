<script lang="ts">
	import {
		ROLES,
		SKILLS,
		type Break,
		type Person,
		type Role,
		type Shift,
		type WeekShift
	} from '../../../core/bakery/index.ts';
	import type { BakeDate, WallTime } from '../../../core/time/index.ts';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import TextField from '../../../fields/TextField.svelte';
	import Choice from '../../../ui/Choice.svelte';
	import ChoiceField from '../../../fields/ChoiceField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import { ROLE_TEXT, SKILL_TEXT, WEEKDAYS } from '../../../wording/entry-text.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';
	import ShiftFields from './ShiftFields.svelte';

	let { content, view, onSet }: FieldsProps<'person'> = $props();
	const set = (change: Partial<Person>) => onSet({ ...content, ...change });
	const roles = ROLES.map((role) => ({ value: role, label: ROLE_TEXT[role] }));
	const days = WEEKDAYS.map((day, at) => ({ value: String(at + 1), label: day }));

	/** A night's work, to begin from (our default). */
	const FIRST_SHIFT: Shift = { from: '02:00' as WallTime, minutes: 480, breaks: [] };
	/** The next day of the week that has no shift yet, as the one before it. */
	function addShift() {
		const last = content.shifts.at(-1);
		const free = [1, 2, 3, 4, 5, 6, 7].find(
			(day) => !content.shifts.some(({ weekday }) => weekday === day)
		);
		set({ shifts: [...content.shifts, { ...(last ?? FIRST_SHIFT), weekday: free ?? 1 }] });
	}
	function everyDay() {
		const first = content.shifts[0] ?? FIRST_SHIFT;
		set({ shifts: [1, 2, 3, 4, 5].map((weekday) => ({ ...first, weekday })) });
	}
	const setShift = (at: number, change: Partial<WeekShift>) =>
		set({
			shifts: content.shifts.map((shift, index) => (index === at ? { ...shift, ...change } : shift))
		});
	const setException = (at: number, change: Partial<Person['exceptions'][number]>) =>
		set({
			exceptions: content.exceptions.map((one, index) =>
				index === at ? { ...one, ...change } : one
			)
		});
	const without = <T,>(list: readonly T[], at: number) => list.filter((_, index) => index !== at);
	type Breaks = readonly Break[];
</script>

<ChoiceField
	label={ENTRY_FIELD_TEXT.role}
	options={roles}
	value={content.role}
	onSet={(role: string) => set({ role: role as Role })}
/>
<fieldset>
	<legend class="mt-2">{ENTRY_FIELD_TEXT.skills}</legend>
	<div class="skills">
		{#each SKILLS as skill (skill)}
			<SwitchField
				label={SKILL_TEXT[skill]}
				checked={content.skills.includes(skill)}
				onSet={(checked: boolean) =>
					set({
						skills: SKILLS.filter((each) =>
							each === skill ? checked : content.skills.includes(each)
						)
					})}
			/>
		{/each}
	</div>
</fieldset>
<Figure
	of="pacePercent"
	value={content.pacePercent}
	unit="% of the usual time"
	onSet={(pacePercent: number) => set({ pacePercent })}
/>

<h3 class="mt-4">{ENTRY_FIELD_TEXT.shifts}</h3>
<p class="text-note text-ink-2">
	A shift belongs to the day on which it begins: Sunday 22:00 for eight hours is a Sunday’s.
</p>
{#each content.shifts as shift, at (at)}
	<div class="shift" data-shift={at + 1}>
		<span class="w-36"
			><Choice
				label="Day of shift {at + 1}"
				options={days}
				value={String(shift.weekday)}
				onSet={(day: string) => setShift(at, { weekday: Number(day) })}
			/></span
		>
		<ShiftFields
			name="shift {at + 1}"
			{shift}
			onSet={(change: { from?: WallTime; minutes?: number; breaks?: Breaks }) =>
				setShift(at, change)}
		/>
		<button
			type="button"
			class="action-small"
			aria-label="Remove shift {at + 1}"
			onclick={() => set({ shifts: without(content.shifts, at) })}>Remove</button
		>
	</div>
{:else}
	<p class="mt-1">None yet: the plan does not count these hands.</p>
{/each}
<p class="mt-2 flex flex-wrap gap-2">
	<button type="button" class="action-lesser" onclick={addShift}>Add a shift</button>
	{#if content.shifts.length < 2}
		<button type="button" class="action-lesser" onclick={everyDay}
			>{content.shifts.length === 1 ? 'The same Monday to Friday' : 'Monday to Friday'}</button
		>
	{/if}
</p>

<h3 class="mt-4">{ENTRY_FIELD_TEXT.exceptions}</h3>
{#each content.exceptions as one, at (at)}
	<div class="shift" data-exception={at + 1}>
		<TextField
			bare
			type="date"
			label="From day, exception {at + 1}"
			value={one.fromDate}
			onSet={(date: string) => setException(at, { fromDate: date as BakeDate })}
		/>
		<span>to</span>
		<TextField
			bare
			type="date"
			label="To day, exception {at + 1}"
			value={one.toDate}
			onSet={(date: string) => setException(at, { toDate: date as BakeDate })}
		/>
		<SwitchField
			label="works"
			checked={one.shift !== null}
			onSet={(works: boolean) => setException(at, { shift: works ? FIRST_SHIFT : null })}
		/>
		{#if one.shift}
			{@const { shift } = one}
			<ShiftFields
				name="exception {at + 1}"
				{shift}
				onSet={(change: { from?: WallTime; minutes?: number; breaks?: Breaks }) =>
					setException(at, { shift: { ...shift, ...change } })}
			/>
		{:else}<b>off</b>{/if}
		<TextField
			bare
			label="Why, exception {at + 1}"
			placeholder="holiday, course"
			value={one.note}
			onSet={(note: string) => setException(at, { note })}
		/>
		<button
			type="button"
			class="action-small"
			aria-label="Remove exception {at + 1}"
			onclick={() => set({ exceptions: without(content.exceptions, at) })}>Remove</button
		>
	</div>
{/each}
<p class="mt-2">
	<button
		type="button"
		class="action-lesser"
		onclick={() =>
			set({
				exceptions: [
					...content.exceptions,
					{ fromDate: view.date, toDate: view.date, shift: null, note: '' }
				]
			})}>Add days off, or another shift</button
	>
</p>

<style>
	.skills {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
	}
	.shift {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px 10px;
		padding: 6px 0;
		border-bottom: 1px solid var(--line);
	}
</style>
