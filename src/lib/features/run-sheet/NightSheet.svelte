<script lang="ts">
	import { resolve } from '$app/paths';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { RunSheetView } from '../../contracts/views.ts';
	import PlanChart from '../../ribbons/PlanChart.svelte';
	import RibbonLegend from '../../ribbons/RibbonLegend.svelte';
	import { cautionText } from '../../wording/caution-text.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import { poursOf } from '../../wording/order-text.ts';
	import { toDoList, type ListEntry } from '../../wording/task-text.ts';
	import { clockText, dateText, dayText } from '../../wording/time-text.ts';

	interface Props {
		view: RunSheetView;
	}
	let { view }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;

	/** The ribbons on paper are drawn at this width and shrunk to the page. */
	const CHART_WIDTH = 1080;
	const accepted = $derived(view.accepted);
	const plan = $derived(accepted?.document.plan ?? null);
	const list = $derived(
		plan && accepted ? toDoList(plan, accepted.document.input).filter((entry) => entry.handsOn) : []
	);
	/** What to pour for a mix that is still to come, by the temperatures of this moment. */
	function waterOf({ mixes }: ListEntry): string {
		const found = view.waters.find(
			({ recipeId, ordinal }) => recipeId === mixes?.recipeId && ordinal === mixes.ordinal
		);
		if (!found) return '';
		const pours = poursOf(found.order, 'tap', bakery.units).map(
			({ name, figure, unit }) => `${name} ${figure} ${unit}`
		);
		const liquid = found.liquid.charAt(0).toUpperCase() + found.liquid.slice(1);
		return `${liquid} at ${formatTemperature(found.order.temperature, 1, bakery.units)}: ${pours.join(', ')}`;
	}
	const sentence = $derived.by(() => {
		if (!accepted || !plan) return 'There is no accepted plan for this date yet.';
		const drops = plan.drops.length === 1 ? 'one drop' : `${plan.drops.length} drops`;
		return `${list.length} things to do for ${drops}.`;
	});
	const note = $derived.by(() => {
		if (!accepted) return 'The run sheet is made from the plan you accept.';
		const when = `${dayText(accepted.acceptedAtMs, zone)} ${clockText(accepted.acceptedAtMs, zone)}`;
		return `Plan version ${accepted.number}, accepted by ${accepted.acceptedBy}, ${when}.`;
	});
</script>

<div class="print:hidden">
	<RoomHeading {sentence} {note}>
		{#snippet actions()}
			{#if plan}
				<button class="action" onclick={() => window.print()}>Print on A4</button>
			{:else}
				<a class="action no-underline!" href={resolve(`/bake/${view.date}/plan`)}>Go to the plan</a>
			{/if}
		{/snippet}
	</RoomHeading>
</div>

{#if plan && accepted}
	{#if !accepted.current}
		<p class="mx-5 mb-3" role="alert">
			<span class="act-now px-2 py-1">Out of date</span>
			Orders or times changed since this plan was accepted.
			<a href={resolve(`/bake/${view.date}/plan`)}>Look at the new plan</a>.
		</p>
	{/if}
	<article class="sheet" data-run-sheet>
		<header class="sheet-head">
			<p class="sheet-title">Run sheet · {dateText(view.date)}</p>
			<p>{bakery.name} · plan version {accepted.number}</p>
		</header>
		<p class="drops">
			{#each plan.drops as drop (drop.dropId)}
				<span>
					<b>{clockText(drop.dueMs, zone)} {drop.name}</b>{#if drop.readyMs !== null}, packed {clockText(
							drop.readyMs,
							zone
						)}{drop.readyByMs < drop.dueMs
							? ` of ${clockText(drop.readyByMs, zone)} at the latest`
							: ''}{/if}
				</span>
			{/each}
		</p>
		{#if plan.cautions.length > 0}
			<p class="cautions">
				<b>Clashes, to settle by hand:</b>
				{plan.cautions
					.map((caution) => cautionText(caution, plan.tasks, accepted.document.input, zone))
					.join(' ')}
			</p>
		{/if}
		<div class="chart">
			<PlanChart
				{plan}
				input={accepted.document.input}
				{zone}
				width={CHART_WIDTH}
				nowMs={null}
				selected={null}
				names={170}
			/>
		</div>
		<div class="legend"><RibbonLegend units={bakery.units} /></div>
		<ol class="list">
			{#each list as entry, index (entry.key)}
				{@const day = dayText(entry.atMs, zone)}
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
						{#if waterOf(entry)}<span class="water" data-water>{waterOf(entry)}</span>{/if}
						{#if entry.caution}<span class="caution" data-caution>{entry.caution}</span>{/if}
					</span>
				</li>
			{/each}
		</ol>
		<p class="foot">
			A time here is a forecast; the dough decides. Waters are by the temperatures read so far:
			measure again before each mix. Hot decks, steam and lids burn; guards stay on mixers and
			dividers; allergens are on each formula. The site's own rules come first.
		</p>
	</article>
{/if}

<style>
	.sheet {
		background: var(--sheet);
		border: 1px solid var(--line);
		margin: 0 auto 24px;
		padding: 20px;
		max-width: 1120px;
	}
	.sheet-head {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		border-bottom: 2px solid var(--ink);
	}
	.sheet-title {
		font-size: 24px;
		font-weight: 800;
	}
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
	.foot {
		margin-top: 10px;
		font-size: 13px;
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
		/* Read at arm's length, by hands that are busy: more pages rather than small print. */
		.sheet {
			border: 0;
			padding: 0;
			margin: 0;
			font-size: 11pt;
			line-height: 1.25;
		}
		.sheet-title {
			font-size: 16pt;
		}
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
		.caution,
		.foot {
			font-size: 9pt;
		}
	}
</style>
