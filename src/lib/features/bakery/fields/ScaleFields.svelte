<script lang="ts">
	import { BAKERY_LIMITS, type ScaleContent } from '../../../core/bakery/index.ts';
	import MassField from '../../../fields/MassField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'scale'> = $props();
	const set = (change: Partial<ScaleContent>) => onSet({ ...content, ...change });
</script>

<MassField
	label={ENTRY_FIELD_TEXT.capacityGrams}
	grams={content.capacityGrams}
	{...BAKERY_LIMITS.capacityGrams}
	onSet={(grams: number | null) => set({ capacityGrams: grams ?? content.capacityGrams })}
/>
<Figure
	of="divisionGrams"
	value={content.divisionGrams}
	unit="g"
	decimals={3}
	onSet={(divisionGrams: number) => set({ divisionGrams })}
/>
