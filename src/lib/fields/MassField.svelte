<script lang="ts">
	import { useRoom } from '../client/room-context.ts';
	import {
		inKilograms,
		inOunces,
		inPounds,
		kilograms,
		ounces,
		pounds
	} from '../core/units/index.ts';
	import NumberField from './NumberField.svelte';

	interface Props {
		label: string;
		grams: number | null;
		/** In grams. */
		least: number;
		most: number;
		optional?: boolean;
		/** Told in grams (or ounces): a jar, not a mixer. */
		fine?: boolean;
		onSet: (grams: number | null) => void;
	}
	let { label, grams, least, most, optional = false, fine = false, onSet }: Props = $props();
	const isImperial = $derived(useRoom().bakery.units.mass === 'imperial');
	const unit = $derived(isImperial ? (fine ? 'oz' : 'lb') : fine ? 'g' : 'kg');
	const SHOWN = {
		g: (value: number) => value,
		kg: (value: number) => inKilograms({ grams: value }),
		oz: (value: number) => inOunces({ grams: value }),
		lb: (value: number) => inPounds({ grams: value })
	};
	const READ = {
		g: (value: number) => value,
		kg: (value: number) => kilograms(value).grams,
		oz: (value: number) => ounces(value).grams,
		lb: (value: number) => pounds(value).grams
	};
	const shown = (value: number) => SHOWN[unit](value);
	const read = (value: number) => READ[unit](value);
</script>

<NumberField
	{label}
	value={grams === null ? null : shown(grams)}
	{unit}
	decimals={fine ? 1 : 3}
	least={shown(least)}
	most={shown(most)}
	{optional}
	onSet={(value: number | null) => onSet(value === null ? null : read(value))}
/>
