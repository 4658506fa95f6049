<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Explained, Given } from '../../core/explain/index.ts';
	import type { UnitChoice } from '../../core/units/index.ts';
	import ArithmeticSlip from '../../ui/arithmetic/ArithmeticSlip.svelte';
	import { sourceText, termText } from '../../wording/term-text.ts';
	import type { Slip } from './slip.ts';

	interface Props {
		/** What is opened; null where it is closed. */
		slip: Slip | null;
		/** The date whose pages a source is changed on. */
		date: string | null;
		timeZone: string;
		units: UnitChoice;
		onClose: () => void;
	}
	let { slip, date, timeZone, units, onClose }: Props = $props();

	function nameOf(one: Explained) {
		return termText(one.term);
	}
	function sourceOf(given: Given) {
		const text = sourceText(given.source, timeZone);
		if (!date) return { text };
		switch (given.source.kind) {
			case 'ordered':
				return { text, href: resolve(`/bake/${date}/orders`) };
			case 'measured':
			case 'assumed':
			case 'set':
			case 'forecast':
				return given.unit === '°C' ? { text, href: resolve(`/bake/${date}/water`) } : { text };
			default:
				return { text };
		}
	}
</script>

<ArithmeticSlip
	open={slip !== null}
	title={slip?.title ?? ''}
	explained={slip?.explained ?? null}
	notes={slip?.notes ?? []}
	{units}
	{nameOf}
	{sourceOf}
	{onClose}
/>
