<script lang="ts">
	import { resolve } from '$app/paths';
	import { untrack } from 'svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { SourWalkView } from '../../contracts/sour-views.ts';
	import { favourOf } from '../../core/fermentation/index.ts';
	import { courseOf, stagedWalk, type StageOfWalk } from '../../core/ripening/index.ts';
	import {
		formatMass,
		formatMinutes,
		formatNumber,
		formatTemperature
	} from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { capital } from '../../wording/capital.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { favourText } from '../../wording/readiness-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import DoughCardPanel from './DoughCardPanel.svelte';
	import LookAtDough from './LookAtDough.svelte';
	import { RipeningModel } from './ripening-model.svelte.ts';
	import StirredNow from './StirredNow.svelte';

	interface Props {
		view: SourWalkView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);
	const model = untrack(() => new RipeningModel(() => view.ripening, room));
	const date = $derived(view.ripening.date);
	const at = (ms: number) => momentText(ms, model.nowMs, zone);
	const mass = (grams: number) => formatMass({ grams }, 0, units);
	const warm = (celsius: number) => formatTemperature({ celsius }, 0, units);

	/** What each stage is on its own: how it is followed, and what its recipe says of it. */
	const stages = $derived(
		view.stages.map((stage) => {
			const isIt = (dough: { readonly recipeId: string; readonly ordinal: number }) =>
				dough.recipeId === stage.preparationId && dough.ordinal === stage.ordinal;
			const start = stage.targetCelsius;
			const course = stage.step && start !== null ? courseOf(stage.step, start) : null;
			return {
				stage,
				dough: view.ripening.doughs.find(isIt) ?? null,
				followed: model.followed.find((one) => isIt(one.view)) ?? null,
				course: course?.ok ? course.value : null
			};
		})
	);
	const walk = $derived(
		stagedWalk(
			stages.map(({ stage, dough, followed, course }) => ({
				plannedMs: stage.plannedMs,
				minutes: stage.mixMinutes + (course?.minutes ?? 0),
				mixedAtMs: dough?.mixed?.atMs ?? null,
				ripeMs: followed?.card.marks.ripe ?? null,
				endedAtMs: dough?.endedAtMs ?? null
			})),
			view.bread.plannedMs,
			model.nowMs
		)
	);
	const current = $derived(walk.current === null ? null : (stages[walk.current] ?? null));
	const bread = $derived(mixTitle({ kind: 'mix', ...view.bread }));
	const sentence = $derived.by(() => {
		const late =
			walk.lateMinutes > 0
				? ` ${bread} can be mixed at ${at(walk.breadMs)}, ${formatMinutes(walk.lateMinutes)} later than ${view.bread.isPlanned ? 'planned' : 'its drops allow'}.`
				: '';
		if (!current || walk.current === null) return `${view.name} is taken: mix ${bread}.${late}`;
		const stage = walk.stages[walk.current];
		if (!stage) return '';
		const number = `stage ${walk.current + 1} of ${stages.length}`;
		if (stage.state === 'ripening')
			return `${current.stage.name}, ${number}, is ripe ${stage.readyMs <= model.nowMs ? 'since' : 'at'} ${at(stage.readyMs)}.${late}`;
		return `${current.stage.name}, ${number}, is begun ${stage.startMs <= model.nowMs ? 'now' : `at ${at(stage.startMs)}`}.${late}`;
	});
	const STATES: Readonly<Record<StageOfWalk['state'], string>> = {
		taken: 'taken',
		ripening: 'ripening',
		next: 'next',
		waiting: 'later'
	};
	/** How warm, where, how long and of what ratio. */
	function how({ stage, course }: (typeof stages)[number]): string {
		const { targetCelsius, step, hydration, seedRatio, inoculation } = stage;
		const leg = step?.legs[0];
		const parts = (value: number) => formatNumber(value, 1);
		const stands = [
			targetCelsius === null ? '' : `stirred to ${warm(targetCelsius)}`,
			leg?.named ? `in the ${leg.named.name.toLowerCase()}` : '',
			leg ? `at ${warm(leg.ambientCelsius)}` : '',
			course ? `for ${formatMinutes(Math.round(course.minutes))}` : ''
		];
		const made = [
			`${formatNumber(hydration, 0)} % water`,
			seedRatio
				? `seed : flour : water 1 : ${parts(seedRatio.flour)} : ${parts(seedRatio.water)}`
				: '',
			`${parts(inoculation)} % of its flour from the seed`
		];
		const told = (all: readonly string[], by: string) => all.filter((one) => one !== '').join(by);
		return `${capital(told(stands, ', '))}. ${told(made, '; ')}.`;
	}
	function favourOfStage({ stage, followed, course }: (typeof stages)[number]): string {
		const first = followed?.story.past[0];
		if (followed && first)
			return favourText(
				favourOf(
					first.startCelsius,
					[...followed.story.past, ...followed.card.expected].map(({ stretch }) => stretch)
				)
			);
		return course && stage.targetCelsius !== null
			? favourText(favourOf(stage.targetCelsius, course.stretches))
			: '';
	}
</script>

<RoomHeading
	{sentence}
	note="From the culture to {bread}, stage by stage. What is seen decides when a stage is taken."
>
	{#snippet actions()}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${date}/fermentation/cultures`)}
			>Cultures</a
		>
	{/snippet}
</RoomHeading>

<ol class="walk" data-walk>
	{#each stages as one, index (one.stage.preparationId)}
		{@const { stage, dough, followed } = one}
		{@const walked = walk.stages[index]}
		{@const favour = favourOfStage(one)}
		<li
			class="stage border border-line bg-sheet"
			class:current={index === walk.current}
			data-stage={stage.name}
			data-state={walked?.state}
		>
			<header class="flex flex-wrap items-baseline gap-x-4">
				<h2>{index + 1}. {stage.name}</h2>
				<span class={index === walk.current ? 'act-now px-2 py-1' : 'font-bold'}
					>{walked ? STATES[walked.state] : ''}</span
				>
				{#if walked}<span class="ml-auto text-lead"
						>{at(walked.startMs)} to <b>{at(walked.readyMs)}</b></span
					>{/if}
			</header>
			<p class="what">
				{#each stage.lines as line, i (i)}{i > 0 ? ' + ' : ''}<b>{mass(line.grams)}</b>
					{line.name.toLowerCase()}{/each}
				= <b>{mass(stage.grams)}</b>
			</p>
			<p>{how(one)}</p>
			{#if favour}<p data-favour>It grows <b>{favour}</b>.</p>{/if}
			{#if stage.takeBackGrams > 0}
				<p>
					{mass(stage.takeBackGrams)} of it are kept back as culture before it is taken: write them down
					on <a href={resolve(`/bake/${date}/fermentation/cultures`)}>Cultures</a>.
				</p>
			{/if}
			{#if index === walk.current && dough}
				{#if followed}
					<div class="mt-3">
						<DoughCardPanel dough={followed} {model} view={view.ripening} />
					</div>
					<div class="mt-4"><LookAtDough dough={followed} /></div>
				{:else}
					<div class="mt-3 flex flex-wrap items-end gap-4">
						<a
							class="action big no-underline!"
							href={resolve(
								`/bake/${date}/doughs/weigh/preparation/${stage.preparationId}/${stage.ordinal}`
							)}>Weigh it up</a
						>
						<StirredNow {dough} />
					</div>
				{/if}
			{/if}
		</li>
	{/each}
	<li class="stage border border-line bg-sheet" class:current={walk.current === null} data-bread>
		<header class="flex flex-wrap items-baseline gap-x-4">
			<h2>{stages.length + 1}. {bread}</h2>
			<span class={walk.current === null ? 'act-now px-2 py-1' : 'font-bold'}
				>{walk.current === null ? 'mix it' : 'then'}</span
			>
			<span class="ml-auto text-lead"
				>mixed at <b>{at(walk.breadMs)}</b>{view.bread.isPlanned || walk.lateMinutes > 0
					? ''
					: ' at the latest'}</span
			>
		</header>
		<div class="mt-2 flex flex-wrap gap-3">
			<a
				class="{walk.current === null ? 'action' : 'action-lesser'} big no-underline!"
				href={resolve(
					`/bake/${date}/doughs/weigh/mix/${view.bread.formulaId}/${view.bread.ordinal}`
				)}>Weigh up {bread}</a
			>
			<a class="action-lesser big no-underline!" href={resolve(`/bake/${date}/water`)}>Its water</a>
		</div>
	</li>
</ol>

<style>
	.walk {
		display: grid;
		gap: 12px;
		padding: 0 20px 16px;
	}
	.stage {
		padding: 12px 18px;
		border-left-width: 6px;
	}
	.current {
		border-left-color: var(--ink);
	}
	.what {
		font-size: 19px;
	}
	.big {
		display: inline-flex;
		align-items: center;
		min-height: 60px;
		font-size: 19px;
	}
</style>
