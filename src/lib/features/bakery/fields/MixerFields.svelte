<script lang="ts">
	import { BAKERY_LIMITS, type MixerContent } from '../../../core/bakery/index.ts';
	import MassField from '../../../fields/MassField.svelte';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import ChoiceField from '../../../fields/ChoiceField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'mixer'> = $props();
	const set = (change: Partial<MixerContent>) => onSet({ ...content, ...change });
	const DRIVES = [
		{ value: 'machine', label: 'a machine' },
		{ value: 'hands', label: 'hands in a tub' }
	];
	/** Below this a dough is stiff, water of flour; and so much of the most it then takes (our defaults). */
	const FIRST_STIFF_PERCENT = 55;
	const FIRST_STIFF_SHARE = 0.7;
</script>

<ChoiceField
	label={ENTRY_FIELD_TEXT.drive}
	options={DRIVES}
	value={content.drive}
	onSet={(drive: string) => set({ drive: drive === 'hands' ? 'hands' : 'machine' })}
/>
<MassField
	label={ENTRY_FIELD_TEXT.leastGrams}
	grams={content.leastGrams}
	{...BAKERY_LIMITS.leastGrams}
	onSet={(grams: number | null) => set({ leastGrams: grams ?? 0 })}
/>
<MassField
	label={ENTRY_FIELD_TEXT.mostGrams}
	grams={content.mostGrams}
	{...BAKERY_LIMITS.mostGrams}
	onSet={(grams: number | null) => set({ mostGrams: grams ?? content.mostGrams })}
/>
<SwitchField
	label={ENTRY_FIELD_TEXT.stiff}
	checked={content.stiff !== null}
	onSet={(checked: boolean) =>
		set({
			stiff: checked
				? {
						waterBelowPercent: FIRST_STIFF_PERCENT,
						mostGrams: Math.round(content.mostGrams * FIRST_STIFF_SHARE)
					}
				: null
		})}
/>
{#if content.stiff}
	{@const { stiff } = content}
	<Figure
		of="waterBelowPercent"
		value={stiff.waterBelowPercent}
		unit="%"
		onSet={(waterBelowPercent: number) => set({ stiff: { ...stiff, waterBelowPercent } })}
	/>
	<MassField
		label="Most of a stiff dough"
		grams={stiff.mostGrams}
		{...BAKERY_LIMITS.mostGrams}
		onSet={(grams: number | null) =>
			set({ stiff: { ...stiff, mostGrams: grams ?? stiff.mostGrams } })}
	/>
{/if}
<Figure of="bowls" value={content.bowls} onSet={(bowls: number) => set({ bowls })} />
<Figure
	of="bowlKilojoulesPerKelvin"
	value={content.bowlKilojoulesPerKelvin}
	unit="kJ/°C"
	onSet={(bowlKilojoulesPerKelvin: number) => set({ bowlKilojoulesPerKelvin })}
/>
<p class="text-note text-ink-2">
	About half a kilojoule for each kilogram of steel, 0 where nobody knows.
</p>
{#if content.drive === 'machine'}
	<Figure of="speeds" value={content.speeds} onSet={(speeds: number) => set({ speeds })} />
{/if}
<h3 class="mt-3">Changing over</h3>
<SwitchField
	label={ENTRY_FIELD_TEXT.lightBeforeDark}
	checked={content.lightBeforeDark}
	onSet={(lightBeforeDark: boolean) => set({ lightBeforeDark })}
/>
<SwitchField
	label={ENTRY_FIELD_TEXT.allergensLast}
	checked={content.allergensLast}
	onSet={(allergensLast: boolean) => set({ allergensLast })}
/>
<Figure
	of="cleanDownMinutes"
	value={content.cleanDownMinutes}
	unit="min"
	onSet={(cleanDownMinutes: number) => set({ cleanDownMinutes })}
/>
{#if content.drive === 'machine'}
	<p class="mt-3 border-t border-line pt-2 text-note">
		Guards stay on while it turns; it is locked out before a hand goes in. The maker’s manual and
		the site’s own rules come first.
	</p>
{/if}
