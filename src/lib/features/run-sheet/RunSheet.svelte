<script lang="ts">
	import { resolve } from '$app/paths';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { PlanView } from '../../contracts/views.ts';
	import PlanChart from '../../ribbons/PlanChart.svelte';
	import RibbonLegend from '../../ribbons/RibbonLegend.svelte';
	import { cautionText } from '../../wording/caution-text.ts';
	import { toDoList } from '../../wording/task-text.ts';
	import { clockText, dateText, dayText } from '../../wording/time-text.ts';

	interface Props {
		view: PlanView;
	}
	let { view }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;

	/** The ribbons on paper are drawn at this width and shrunk to the page. */
	const CHART_WIDTH = 1080;
	const accepted = $derived(view.accepted);
	const plan = $derived(accepted?.document.plan ?? null);
	const list = $derived(
		plan && accepted
			? toDoList(plan.tasks, accepted.document.input).filter((entry) => entry.handsOn)
			: []
	);
	const sentence = $derived.by(() => {
		if (!accepted || !plan) return 'There is no accepted plan for this date yet.';
		return `${list.length} things to do for ${plan.drops.length} drops.`;
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
						)}{/if}
				</span>
			{/each}
		</p>
		{#if plan.cautions.length > 0}
			<p class="cautions">
				<b>To settle by hand:</b>
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
					<span><b>{entry.what}</b> <span class="detail">{entry.detail}</span></span>
				</li>
			{/each}
		</ol>
		<p class="foot">
			A time here is a forecast; the dough decides. Hot decks, steam and lids burn; guards stay on
			mixers and dividers; allergens are on each formula. The site's own rules come first.
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
	.detail {
		color: var(--ink-2);
	}
	.foot {
		margin-top: 10px;
		font-size: 13px;
		color: var(--ink-2);
	}
	@media print {
		/* The whole night on one A4 page: small print, but nothing left out. */
		.sheet {
			border: 0;
			padding: 0;
			margin: 0;
			font-size: 7.2pt;
			line-height: 1.16;
		}
		.sheet-title {
			font-size: 13pt;
		}
		.drops,
		.cautions {
			margin: 1mm 0;
		}
		.chart :global(svg) {
			width: 100%;
			height: auto;
			max-height: 74mm;
		}
		.legend :global(p) {
			font-size: 6.5pt;
			column-gap: 3mm;
		}
		.list {
			columns: 3;
			column-gap: 4mm;
			margin-top: 1.5mm;
		}
		.todo {
			gap: 1.2mm;
			padding: 0.25mm 0;
		}
		.box {
			width: 2mm;
			height: 2mm;
		}
		.foot {
			font-size: 7pt;
			margin-top: 1mm;
		}
	}
</style>
