<script lang="ts">
	import { BAKERY_LIMITS, type BakeryFigure, type Limits } from '../../../core/bakery/index.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';

	interface Props {
		/** Which figure it is: it says what it is called and what it can be. */
		of: BakeryFigure;
		label?: string;
		value: number | null;
		unit?: string;
		decimals?: number;
		bare?: boolean;
		onSet: (value: number) => void;
		/** Where it may be left empty. */
		onClear?: () => void;
	}
	let { of, label, value, unit = '', decimals = 1, bare = false, onSet, onClear }: Props = $props();
	const limits: Limits = $derived(BAKERY_LIMITS[of]);
</script>

<NumberField
	label={label ?? ENTRY_FIELD_TEXT[of]}
	{value}
	{unit}
	{bare}
	decimals={limits.whole ? 0 : decimals}
	least={limits.least}
	most={limits.most}
	whole={limits.whole ?? false}
	optional={onClear !== undefined}
	onSet={(number: number | null) => (number === null ? onClear?.() : onSet(number))}
/>
