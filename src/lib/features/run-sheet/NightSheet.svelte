<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { AcceptedPlanView, RunSheetView } from '../../contracts/views.ts';
	import PlanChart from '../../ribbons/PlanChart.svelte';
	import RibbonLegend from '../../ribbons/RibbonLegend.svelte';
	import { agreedText } from '../../wording/agreed-text.ts';
	import { cautionText } from '../../wording/caution-text.ts';
	import type { ListEntry } from '../../wording/list-entry.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import SheetFrame from './SheetFrame.svelte';
	import { waterLine } from '../../wording/water-line.ts';

	interface Props {
		view: RunSheetView;
		accepted: AcceptedPlanView;
		list: readonly ListEntry[];
	}
	let { view, accepted, list }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;

	/** The ribbons on paper are drawn at this width and shrunk to the page. */
	const CHART_WIDTH = 1080;
	const { plan, input } = $derived(accepted.document);
</script>

<SheetFrame
	sheet="night"
	title="Run sheet"
	date={view.date}
	{accepted}
	caution="Waters are by the temperatures read so far: measure again before each mix. Hot decks, steam and lids burn; guards stay on mixers and dividers; allergens are on each formula."
>
	<p class="drops">
		{#each plan.drops as drop (drop.dropId)}
			<span>
				<b>{clockText(drop.dueMs, zone)} {drop.name}</b>{#if drop.readyMs !== null}, packed {clockText(
						drop.readyMs,
						zone
					)}{drop.readyByMs < drop.dueMs
						? ` of ${clockText(drop.readyByMs, zone)} at the latest`
						: ''}{/if}
				{agreedText(drop, input, zone)}
			</span>
		{/each}
	</p>
	{#if plan.cautions.length > 0}
		<p class="cautions">
			<b>Clashes, to settle by hand:</b>
			{plan.cautions.map((caution) => cautionText(caution, plan.tasks, input, zone)).join(' ')}
		</p>
	{/if}
	<div class="chart">
		<PlanChart {plan} {input} {zone} width={CHART_WIDTH} nowMs={null} selected={null} names={170} />
	</div>
	<div class="legend"><RibbonLegend units={bakery.units} /></div>
	<ol class="list">
		{#each list as entry, index (entry.key)}
			{@const day = dayText(entry.atMs, zone)}
			{@const water = waterLine(entry, view.waters, bakery.units)}
			{#if index === 0 || day !== dayText(list[index - 1]?.atMs ?? 0, zone)}
				<li class="day">{day}</li>
			{/if}
			<li class="todo">
				<span class="box" aria-hidden="true"></span>
				<time>{clockText(entry.atMs, zone)}</time>
				<span>
					<b>{entry.what}</b>
					{#if entry.who}<span class="who">{entry.who}</span>{/if}
					<span class="detail">{entry.detail}</span>
					{#if water}<span class="water" data-water>{water}</span>{/if}
					{#if entry.caution}<span class="caution" data-caution>{entry.caution}</span>{/if}
				</span>
			</li>
		{/each}
	</ol>
</SheetFrame>

<style>
	.drops {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 24px;
		margin: 6px 0;
	}
	.cautions {
		margin-bottom: 6px;
	}
	.chart {
		overflow-x: auto;
	}
	.list {
		columns: 2;
		column-gap: 24px;
		margin-top: 10px;
	}
	.day {
		font-weight: 700;
		border-bottom: 2px solid var(--ink);
		break-after: avoid;
	}
	.todo {
		display: flex;
		gap: 8px;
		align-items: baseline;
		padding: 2px 0;
		border-bottom: 1px solid var(--line);
		break-inside: avoid;
	}
	.box {
		flex: none;
		width: 11px;
		height: 11px;
		border: 1.5px solid var(--ink);
		align-self: center;
	}
	.todo time {
		font-weight: 700;
	}
	.who {
		font-weight: 600;
	}
	.detail {
		color: var(--ink-2);
	}
	.water {
		display: block;
		font-weight: 700;
	}
	.caution {
		display: block;
		margin-top: 2px;
		padding: 2px 6px;
		border: 2px solid var(--ink);
	}
	@media print {
		.chart :global(svg) {
			width: 100%;
			height: auto;
			max-height: 110mm;
		}
		.legend :global(p) {
			font-size: 9pt;
			column-gap: 3mm;
		}
		.list {
			columns: 2;
			column-gap: 6mm;
			margin-top: 3mm;
		}
		.todo {
			gap: 1.5mm;
			padding: 0.6mm 0;
		}
		.box {
			width: 3mm;
			height: 3mm;
		}
		.caution {
			font-size: 9pt;
		}
	}
</style>
