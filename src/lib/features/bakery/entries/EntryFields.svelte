<script lang="ts" generics="K extends EntryKind">
	import type { Component } from 'svelte';
	import type { EntryKind } from '../../../core/bakery/index.ts';
	import BenchFields from '../fields/BenchFields.svelte';
	import ClosedDaysFields from '../fields/ClosedDaysFields.svelte';
	import CustomerFields from '../fields/CustomerFields.svelte';
	import DividerFields from '../fields/DividerFields.svelte';
	import DropFields from '../fields/DropFields.svelte';
	import MixerFields from '../fields/MixerFields.svelte';
	import OvenFields from '../fields/OvenFields.svelte';
	import PersonFields from '../fields/PersonFields.svelte';
	import PlaceFields from '../fields/PlaceFields.svelte';
	import ScaleFields from '../fields/ScaleFields.svelte';
	import SheeterFields from '../fields/SheeterFields.svelte';
	import VesselFields from '../fields/VesselFields.svelte';
	import type { FieldsProps } from './fields-props.ts';

	const FIELDS: { readonly [Each in EntryKind]: Component<FieldsProps<Each>> } = {
		person: PersonFields,
		mixer: MixerFields,
		oven: OvenFields,
		place: PlaceFields,
		drop: DropFields,
		customer: CustomerFields,
		'closed-days': ClosedDaysFields,
		scale: ScaleFields,
		divider: DividerFields,
		sheeter: SheeterFields,
		vessel: VesselFields,
		bench: BenchFields
	};

	let { content, view, onSet }: FieldsProps<K> = $props();
	const Fields = $derived(FIELDS[view.kind]);
</script>

<Fields {content} {view} {onSet} />
