<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { RipeningView } from '../../contracts/ripening-views.ts';
	import { soursWith, type DoughCard } from '../../core/ripening/index.ts';
	import { favourOf, timeFactorOfYeast } from '../../core/fermentation/index.ts';
	import {
		formatDifference,
		formatMinutes,
		formatNumber,
		formatTemperature
	} from '../../core/units/index.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { readyWord } from '../../wording/ready-text.ts';
	import { favourText } from '../../wording/readiness-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import type { FollowedDough, RipeningModel } from './ripening-model.svelte.ts';
	import BigFigure from '../../ui/BigFigure.svelte';
	import Term from '../../ui/Term.svelte';

	interface Props {
		dough: FollowedDough;
		model: RipeningModel;
		view: RipeningView;
	}
	let { dough, model, view }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const WARMER_KELVINS = 3;

	const { card, story } = $derived(dough);
	const at = (ms: number | null) =>
		ms === null ? 'not within three days' : momentText(ms, model.nowMs, timeZone);
	const ready = $derived(readyWord(dough.view.kind));
	const share = $derived(card.doseSoFar / card.doseRipe);
	const left = $derived(
		card.marks.ripe !== null && card.marks.ripe > model.nowMs
			? formatMinutes((card.marks.ripe - model.nowMs) / 60_000)
			: null
	);
	const ripeText = (told: DoughCard) =>
		told.marks.ripe === null ? `not ${ready} within three days` : `${ready} ${at(told.marks.ripe)}`;
	/** Time goes inversely with yeast only so far: what half of it would do is not told beyond. */
	const canHaveHalf = $derived.by(() => {
		const { yeastPercent } = dough.view;
		return yeastPercent !== null && timeFactorOfYeast(yeastPercent, yeastPercent / 2).ok;
	});
	const asks = $derived.by(() => {
		const all: { name: string; text: string }[] = [];
		for (const retarder of view.retarders) {
			if (retarder.id === dough.view.retarderId) continue;
			const cold = model.inCold(retarder.id, dough);
			if (cold)
				all.push({
					name: `in the ${retarder.name.toLowerCase()} from now on`,
					text: ripeText(cold)
				});
		}
		all.push({
			name: `with the room ${formatDifference({ kelvins: WARMER_KELVINS }, 0, units)} warmer from now on`,
			text: ripeText(model.ask(dough, { kind: 'room-changes', kelvins: WARMER_KELVINS }))
		});
		if (story.clock.leavening === 'bakers-yeast' && canHaveHalf)
			all.push({
				name: 'had it half the yeast',
				text: ripeText(model.ask(dough, { kind: 'yeast-times', factor: 0.5 }))
			});
		const carried = model.carriedNow(dough);
		if (carried !== null && Math.abs(carried) >= 1)
			all.push({
				name: 'divided now',
				text: `its proof takes ${formatMinutes(Math.abs(carried))} ${carried > 0 ? 'longer' : 'less'}`
			});
		return all;
	});
	/** Lift against acid, where there are bacteria to sour it. */
	const favour = $derived(
		soursWith(story.clock) && story.past[0]
			? favourOf(
					story.past[0].startCelsius,
					[...story.past, ...card.expected].map((part) => part.stretch)
				)
			: null
	);
	const clockNote = $derived(
		dough.view.clockUsed === 0
			? 'by the clock of the book'
			: `by a clock learned from ${dough.view.clockUsed} checks, ${formatNumber(dough.view.clockFactor, 2)} times the book's`
	);
</script>

<section aria-label="Dough card of {mixTitle(dough.view)}" data-dough-card={mixTitle(dough.view)}>
	<div class="figures">
		<BigFigure name="{ready} at" size="large" beside={left ? `in ${left}` : ''}
			><span data-ripe>{at(card.marks.ripe)}</span></BigFigure
		>
		<BigFigure name="now" size="middle"
			>{formatTemperature({ celsius: card.celsiusNow }, 1, units)}</BigFigure
		>
		<BigFigure name="fermented, of its {dough.view.kind === 'mix' ? 'bulk' : 'time'}" size="middle"
			><span data-share>{formatNumber(Math.min(999, share * 100), 0)} %</span></BigFigure
		>
	</div>
	<p class="text-lead">
		<Term of="early-ready-late">early</Term> from <b>{at(card.marks.early)}</b>, late after
		<b>{at(card.marks.late)}</b>; that is
		{formatMinutes(card.doseSoFar)} of the {formatMinutes(card.doseRipe)} it takes at {formatTemperature(
			{ celsius: story.clock.referenceCelsius },
			0,
			units
		)}
	</p>
	<p class="text-ink-2">
		A forecast {clockNote}{favour ? `; on this path it grows ${favourText(favour)}` : ''}. The dough
		decides.
	</p>
	<ul class="mt-2" data-asks>
		{#each asks as ask (ask.name)}
			<li class="flex flex-wrap justify-between gap-x-4 border-t border-line py-2">
				<span>{ask.name}</span><b>{ask.text}</b>
			</li>
		{/each}
	</ul>
</section>

<style>
	.figures {
		display: flex;
		flex-wrap: wrap;
		align-items: flex-end;
		gap: 4px 36px;
	}
</style>
