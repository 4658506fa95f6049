<script lang="ts">
	import { SHEET_LIMITS } from '../../../contracts/sheet-limits.ts';
	import type { SheetCut } from '../../../core/sheeting/index.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import SwitchField from '../../../fields/SwitchField.svelte';

	interface Props {
		cut: SheetCut;
		onSet: (cut: SheetCut) => void;
	}
	let { cut, onSet }: Props = $props();

	/** The sides of each cut by what they are called, with how a new one is put in its place. */
	const sides = $derived.by(
		(): readonly { label: string; cm: number; set: (cm: number) => SheetCut }[] => {
			switch (cut.kind) {
				case 'triangles':
					return [
						{ label: 'Base', cm: cut.baseCm, set: (baseCm) => ({ ...cut, baseCm }) },
						{ label: 'Height', cm: cut.heightCm, set: (heightCm) => ({ ...cut, heightCm }) }
					];
				case 'rectangles':
					return [
						{ label: 'Along the sheet', cm: cut.alongCm, set: (alongCm) => ({ ...cut, alongCm }) },
						{ label: 'Across it', cm: cut.acrossCm, set: (acrossCm) => ({ ...cut, acrossCm }) }
					];
				case 'strips':
					return [
						{ label: 'Wide', cm: cut.widthCm, set: (widthCm) => ({ ...cut, widthCm }) },
						{
							label: 'Long, across the sheet',
							cm: cut.lengthCm,
							set: (lengthCm) => ({ ...cut, lengthCm })
						}
					];
				case 'rounds':
					return [
						{ label: 'Across', cm: cut.diameterCm, set: (diameterCm) => ({ ...cut, diameterCm }) }
					];
				case 'slices':
					return [
						{
							label: 'Slice, along the roll',
							cm: cut.thicknessCm,
							set: (thicknessCm) => ({ ...cut, thicknessCm })
						},
						{ label: 'Rolled up over', cm: cut.rolledCm, set: (rolledCm) => ({ ...cut, rolledCm }) }
					];
			}
		}
	);
</script>

{#each sides as side (side.label)}
	<NumberField
		label={side.label}
		value={side.cm}
		unit="cm"
		least={SHEET_LIMITS.sideCm.least}
		most={SHEET_LIMITS.sideCm.most}
		onSet={(cm: number | null) => onSet(side.set(cm ?? side.cm))}
	/>
{/each}
{#if cut.kind === 'triangles'}
	<SwitchField
		label="The two halves of a row are pressed together"
		checked={cut.halvesJoined}
		onSet={(halvesJoined: boolean) => onSet({ ...cut, halvesJoined })}
	/>
{/if}
