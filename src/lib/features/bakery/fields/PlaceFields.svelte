<script lang="ts">
	import { BAKERY_LIMITS, type PlaceContent } from '../../../core/bakery/index.ts';
	import { USUAL_COLD_CELSIUS, WAIT_PLACES } from '../../../core/formula/index.ts';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import TemperatureField from '../../../fields/TemperatureField.svelte';
	import ChoiceField from '../../../fields/ChoiceField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import { PLACE_KIND_TEXT } from '../../../wording/step-text.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, view, onSet }: FieldsProps<'place'> = $props();
	const NO_OVEN = { value: '', label: 'No: a cabinet or a room' };
	const set = (change: Partial<PlaceContent>) => onSet({ ...content, ...change });
	const KINDS = WAIT_PLACES.map((kind) => ({ value: kind, label: PLACE_KIND_TEXT[kind] }));
	/** A cabinet for a few racks (our defaults). */
	const FIRST_COLD = { compressorWatts: 600, airKilojoulesPerKelvin: 50, wallsWattsPerKelvin: 6 };
	function setKind(kind: string) {
		const placeKind = WAIT_PLACES.find((each) => each === kind) ?? 'room';
		set({
			placeKind,
			cold: placeKind === 'cold' ? content.cold : null,
			ovenId: placeKind === 'proofer' ? content.ovenId : null,
			celsius:
				placeKind === 'cold' && content.celsius > USUAL_COLD_CELSIUS
					? USUAL_COLD_CELSIUS
					: content.celsius
		});
	}
</script>

{#if content.role === 'other'}
	<ChoiceField
		label={ENTRY_FIELD_TEXT.placeKind}
		options={KINDS}
		value={content.placeKind}
		onSet={setKind}
	/>
{:else}
	<p>{content.role === 'flour' ? 'Where flour is kept.' : 'The room all stand in.'}</p>
{/if}
<TemperatureField
	label={content.placeKind === 'room' ? 'Taken to be at, until it is read' : 'Set to'}
	celsius={content.celsius}
	{...BAKERY_LIMITS.placeCelsius}
	onSet={(celsius: number | null) => set({ celsius: celsius ?? content.celsius })}
/>
{#if content.placeKind === 'proofer'}
	<Figure
		of="humidityPercent"
		value={content.humidityPercent}
		unit="%"
		onSet={(humidityPercent: number) => set({ humidityPercent })}
		onClear={() => set({ humidityPercent: null })}
	/>
	{#if view.ovens.length > 0}
		<ChoiceField
			label={ENTRY_FIELD_TEXT.ovenId}
			options={[NO_OVEN, ...view.ovens.map(({ id, name }) => ({ value: id, label: name }))]}
			value={content.ovenId ?? ''}
			onSet={(ovenId: string) => set({ ovenId: ovenId === '' ? null : ovenId })}
		/>
	{/if}
	{#if content.ovenId !== null}
		<p class="text-note text-ink-2">
			It is switched on for bread only when all dough is out of it, and takes none while it is hot.
			Feel that it is cool, and hang a note on its switch: the site’s own rules come first.
		</p>
	{/if}
{/if}
<Figure
	of="holds"
	value={content.holds}
	unit="trays"
	onSet={(holds: number) => set({ holds })}
	onClear={() => set({ holds: null })}
/>
<p class="text-note text-ink-2">Empty where it never runs out of room.</p>
{#if content.placeKind === 'cold'}
	<SwitchField
		label={ENTRY_FIELD_TEXT.cold}
		checked={content.cold !== null}
		onSet={(checked: boolean) => set({ cold: checked ? FIRST_COLD : null })}
	/>
	{#if content.cold}
		{@const { cold } = content}
		<Figure
			of="compressorWatts"
			value={cold.compressorWatts}
			unit="W"
			decimals={0}
			onSet={(compressorWatts: number) => set({ cold: { ...cold, compressorWatts } })}
		/>
		<Figure
			of="airKilojoulesPerKelvin"
			value={cold.airKilojoulesPerKelvin}
			unit="kJ/°C"
			decimals={0}
			onSet={(airKilojoulesPerKelvin: number) => set({ cold: { ...cold, airKilojoulesPerKelvin } })}
		/>
		<Figure
			of="wallsWattsPerKelvin"
			value={cold.wallsWattsPerKelvin}
			unit="W/°C"
			decimals={0}
			onSet={(wallsWattsPerKelvin: number) => set({ cold: { ...cold, wallsWattsPerKelvin } })}
		/>
	{/if}
{/if}
