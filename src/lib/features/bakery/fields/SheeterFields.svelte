<script lang="ts">
	import {
		LAST_SHEET_MILLIMETRES,
		sheetGrams,
		type SheeterContent
	} from '../../../core/bakery/index.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import { formatMass, formatNumber } from '../../../core/units/index.ts';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'sheeter'> = $props();
	const { units } = useRoom().bakery;
	const set = (change: Partial<SheeterContent>) => onSet({ ...content, ...change });
</script>

<Figure
	of="sheeterWidthCm"
	value={content.widthCm}
	unit="cm"
	onSet={(widthCm: number) => set({ widthCm })}
/>
<Figure
	of="sheeterLengthCm"
	value={content.lengthCm}
	unit="cm"
	onSet={(lengthCm: number) => set({ lengthCm })}
/>
<Figure
	of="rollerMillimetres"
	label={ENTRY_FIELD_TEXT.thinnestMillimetres}
	value={content.thinnestMillimetres}
	unit="mm"
	onSet={(thinnestMillimetres: number) => set({ thinnestMillimetres })}
/>
<Figure
	of="rollerMillimetres"
	label={ENTRY_FIELD_TEXT.thickestMillimetres}
	value={content.thickestMillimetres}
	unit="mm"
	onSet={(thickestMillimetres: number) => set({ thickestMillimetres })}
/>
<p class="mt-3" data-sheet>
	Rolled out to {formatNumber(Math.max(LAST_SHEET_MILLIMETRES, content.thinnestMillimetres), 1)} mm one
	sheet is {formatMass({ grams: sheetGrams(content) }, 0, units)} of dough: more goes through in several.
</p>
<p class="mt-3 border-t border-line pt-2 text-note">
	Hands stay off the rollers. The maker’s manual and the site’s own rules come first.
</p>
