<script lang="ts">
	import { useRoom } from '../client/room-context.ts';
	import { inKilograms, inPounds, kilograms, pounds } from '../core/units/index.ts';
	import NumberField from './NumberField.svelte';

	interface Props {
		label: string;
		grams: number | null;
		/** In grams. */
		least: number;
		most: number;
		optional?: boolean;
		onSet: (grams: number | null) => void;
	}
	let { label, grams, least, most, optional = false, onSet }: Props = $props();
	const isImperial = $derived(useRoom().bakery.units.mass === 'imperial');
	const shown = (value: number) =>
		isImperial ? inPounds({ grams: value }) : inKilograms({ grams: value });
	const read = (value: number) => (isImperial ? pounds(value) : kilograms(value)).grams;
</script>

<NumberField
	{label}
	value={grams === null ? null : shown(grams)}
	unit={isImperial ? 'lb' : 'kg'}
	decimals={3}
	least={shown(least)}
	most={shown(most)}
	{optional}
	onSet={(value: number | null) => onSet(value === null ? null : read(value))}
/>
