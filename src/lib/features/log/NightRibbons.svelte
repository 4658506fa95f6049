<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { asItWent, type LoggedWork, type WorkState } from '../../core/bench/index.ts';
	import type { BakeDayInput, DayPlan } from '../../core/planning/index.ts';
	import type { MixFacts } from '../../core/results/index.ts';
	import PlanChart from '../../ribbons/PlanChart.svelte';
	import RibbonLegend from '../../ribbons/RibbonLegend.svelte';
	import { laterText } from '../../wording/log-text.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		plan: DayPlan;
		input: BakeDayInput;
		states: ReadonlyMap<string, WorkState>;
		facts: readonly MixFacts[];
		works: readonly LoggedWork[];
		nameOf: (work: LoggedWork) => string;
	}
	let { plan, input, states, facts, works, nameOf }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);

	/** Narrower than this the ribbons are moved sideways in their frame. */
	const LEAST_WIDTH = 860;
	const MINUTE_MS = 60_000;
	let frameWidth = $state(0);
	const width = $derived(Math.max(LEAST_WIDTH, frameWidth));
	/** Drawn anew each minute: what is under way grows by that. */
	const nowMs = $derived(Math.floor(room.now.epochMs / MINUTE_MS) * MINUTE_MS);
	const off = $derived(
		new Map(
			facts.flatMap(({ mix, doughOffKelvins }) =>
				doughOffKelvins === null ? [] : [[mix, doughOffKelvins] as const]
			)
		)
	);
	const went = $derived(asItWent(plan, states, nowMs, off));
	const lastMs = $derived(Math.max(...went.plan.tasks.map(({ endMs }) => endMs)));
	let selected: string | null = $state(null);
	const chosen = $derived(
		selected === null ? [] : works.filter(({ work }) => work.taskId === selected)
	);

	function told(one: LoggedWork): string {
		const planned = `planned ${clockText(one.work.atMs, zone)}`;
		if (one.state.kind === 'open') return `${planned}, nobody told`;
		if (one.state.kind === 'left-out') return `${planned}, left out`;
		if (one.fromMs === null && one.toMs === null) return `${planned}, put off`;
		const from = one.fromMs === null ? '' : `begun ${clockText(one.fromMs, zone)}`;
		const to = one.toMs === null ? '' : `done ${clockText(one.toMs, zone)}`;
		return [planned, from, to, laterText(one)].filter((part) => part !== '').join(', ');
	}
</script>

<section class="went" aria-labelledby="went-title" data-went>
	<h2 id="went-title">As it went</h2>
	<div class="frame" bind:clientWidth={frameWidth}>
		<PlanChart
			plan={went.plan}
			{input}
			{zone}
			{width}
			nowMs={nowMs <= lastMs ? nowMs : null}
			{selected}
			happened={{ told: went.told, nowMs }}
			against={plan}
			names={170}
			onSelect={(taskId: string) => (selected = selected === taskId ? null : taskId)}
		/>
	</div>
	<RibbonLegend {units} went />
	<p class="chosen" aria-live="polite" data-went-chosen>
		{#each chosen as one (one.work.key)}
			<span><b>{nameOf(one)}</b>: {told(one)}.</span>
		{:else}
			{selected === null
				? 'Tap a stretch of a ribbon to read its times.'
				: 'It waited there: what stands around it in the list below has the times.'}
		{/each}
	</p>
</section>

<style>
	.went {
		padding: 0 20px 20px;
	}
	h2 {
		margin-bottom: 4px;
		font-size: 19px;
		font-weight: 700;
	}
	.frame {
		overflow-x: auto;
	}
	.chosen {
		display: grid;
		gap: 2px;
		min-height: 26px;
		margin-top: 6px;
	}
	@media print {
		.went {
			padding: 0 0 4mm;
			break-inside: avoid;
		}
		.chosen {
			display: none;
		}
	}
</style>
