<script lang="ts">
	import { useRoom } from '../client/room-context.ts';
	import { fahrenheit, inFahrenheit } from '../core/units/index.ts';
	import NumberField from './NumberField.svelte';

	interface Props {
		label: string;
		celsius: number | null;
		least: number;
		most: number;
		decimals?: number;
		optional?: boolean;
		bare?: boolean;
		onSet: (celsius: number | null) => void;
	}
	let { label, celsius, least, most, decimals = 1, optional, bare, onSet }: Props = $props();
	const { units } = useRoom().bakery;
	const inF = units.temperature === 'fahrenheit';
	const shown = (value: number) => (inF ? inFahrenheit({ celsius: value }) : value);
	const read = (value: number) => (inF ? fahrenheit(value).celsius : value);
</script>

<NumberField
	{label}
	value={celsius === null ? null : shown(celsius)}
	unit={inF ? '°F' : '°C'}
	{decimals}
	least={shown(least)}
	most={shown(most)}
	optional={optional ?? false}
	bare={bare ?? false}
	onSet={(value: number | null) => onSet(value === null ? null : read(value))}
/>
