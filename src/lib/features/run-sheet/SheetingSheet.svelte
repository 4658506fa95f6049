<script lang="ts">
	import type { AcceptedPlanView, RunSheetView } from '../../contracts/views.ts';
	import SheetToRoll from '../../sheets/SheetToRoll.svelte';
	import { SHEET_TEXT, STATION_CAUTION } from '../../wording/sheet-text.ts';
	import SheetFrame from './SheetFrame.svelte';

	interface Props {
		view: RunSheetView;
		accepted: AcceptedPlanView;
	}
	let { view, accepted }: Props = $props();
</script>

<SheetFrame
	sheet="sheeting"
	title={SHEET_TEXT.sheeting}
	date={view.date}
	{accepted}
	caution={STATION_CAUTION.bench}
>
	{#each view.rolledOut as asked (asked.name)}
		<section data-rolled={asked.name}>
			<h2>{asked.name} · {asked.pieces}</h2>
			<SheetToRoll {asked} />
		</section>
	{:else}
		<p>
			Nothing of this night is cut from a sheet. A product says how it is rolled out on its page.
		</p>
	{/each}
</SheetFrame>

<style>
	section {
		margin-top: 16px;
	}
	section + section {
		padding-top: 12px;
		border-top: 2px solid var(--ink);
	}
	h2 {
		font-size: 19px;
	}
	@media print {
		section + section {
			break-before: page;
			border-top: 0;
		}
	}
</style>
