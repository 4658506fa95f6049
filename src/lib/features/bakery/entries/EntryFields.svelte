<script lang="ts" generics="K extends EntryKind">
	import type { Component } from 'svelte';
	import type { EntryKind } from '../../../core/bakery/index.ts';
	import type { FieldsProps } from './fields-props.ts';

	const FIELDS: {
		readonly [Each in EntryKind]: () => Promise<{
			readonly default: Component<FieldsProps<Each>>;
		}>;
	} = {
		person: () => import('../fields/PersonFields.svelte'),
		mixer: () => import('../fields/MixerFields.svelte'),
		oven: () => import('../fields/OvenFields.svelte'),
		place: () => import('../fields/PlaceFields.svelte'),
		drop: () => import('../fields/DropFields.svelte'),
		customer: () => import('../fields/CustomerFields.svelte'),
		supplier: () => import('../fields/SupplierFields.svelte'),
		'closed-days': () => import('../fields/ClosedDaysFields.svelte'),
		scale: () => import('../fields/ScaleFields.svelte'),
		divider: () => import('../fields/DividerFields.svelte'),
		sheeter: () => import('../fields/SheeterFields.svelte'),
		vessel: () => import('../fields/VesselFields.svelte'),
		bench: () => import('../fields/BenchFields.svelte')
	};

	let { content, view, onSet }: FieldsProps<K> = $props();
	// What is read anew of the same kind keeps its form.
	const kind = $derived(view.kind);
	const fields = $derived(FIELDS[kind]());
</script>

{#await fields then { default: Fields }}
	<Fields {content} {view} {onSet} />
{/await}
