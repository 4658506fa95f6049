<script lang="ts">
	import type { RipeningView } from '../../contracts/ripening-views.ts';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import {
		judgeReadiness,
		riseSeen,
		SIGHTS,
		type ReadinessDecision,
		type Sighting,
		type SightingKind
	} from '../../core/fermentation/index.ts';
	import { DECISION_TEXT, sightingText, VERDICT_TEXT } from '../../wording/readiness-text.ts';
	import SightingsField from '../../fields/SightingsField.svelte';
	import Verdict from '../../fields/Verdict.svelte';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { clockText } from '../../wording/time-text.ts';
	import type { FollowedDough } from './ripening-model.svelte.ts';

	interface Props {
		dough: FollowedDough;
		/** What the sensor of the tub says; null where none is heard. */
		tubRise?: RipeningView['tubRise'];
	}
	let { dough, tubRise = null }: Props = $props();
	const room = useRoom();
	const title = $derived(mixTitle(dough.view));
	let seen: Readonly<Partial<Record<SightingKind, Sighting>>> = $state.raw({});
	const entry = new BenchEntry(room.outbox);

	/** A pre-ferment is looked at otherwise than a dough. */
	const kinds = $derived(dough.view.kind === 'mix' ? SIGHTS.dough : SIGHTS.leaven);
	/** A pre-ferment is not folded. */
	const decisions: readonly ReadinessDecision[] = $derived(
		dough.view.kind === 'mix' ? ['wait', 'fold-again', 'go-on'] : ['wait', 'go-on']
	);
	const sightings = $derived(Object.values(seen));
	/** What the sensor said longer ago is not how it is (our default). */
	const FRESH_MS = 10 * 60_000;
	const risen = $derived(
		tubRise && kinds.includes('rise') && room.now.epochMs - tubRise.measuredAtMs < FRESH_MS
			? { ...tubRise, sighting: riseSeen(tubRise.percent) }
			: null
	);
	const readiness = $derived.by(() => {
		const { clock, dose } = dough.story;
		return judgeReadiness(
			{
				share: dose / clock.ripeMinutes,
				earlyShare: clock.underMinutes / clock.ripeMinutes,
				lateShare: clock.overMinutes / clock.ripeMinutes
			},
			sightings
		);
	});
	async function decide(decision: ReadinessDecision) {
		await entry.send(
			{
				kind: 'judge-readiness',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: dough.view.batch,
				sightings: [...sightings],
				decision
			},
			`${title}: decided to ${DECISION_TEXT[decision]}`,
			async (answer) => {
				seen = {};
				if (answer) await readAnew('jovet:moment');
			}
		);
	}
</script>

<section aria-label="Look at {title}" data-look>
	{#if risen}
		<button
			class="action-lesser big"
			data-tub-rise
			onclick={() => (seen = { ...seen, rise: risen.sighting })}
			>{risen.sensor} says {Math.round(risen.percent)} % risen: {sightingText(
				risen.sighting
			)}</button
		>
	{/if}
	<SightingsField {kinds} {seen} onSet={(now: typeof seen) => (seen = now)} />
	<Verdict {readiness} />
	<div class="mt-3 flex flex-wrap gap-3">
		{#each decisions as decision (decision)}
			<button
				class="{decision === 'go-on' ? 'action' : 'action-lesser'} big"
				disabled={entry.busy}
				onclick={() => decide(decision)}
				>{decision === 'go-on'
					? dough.view.kind === 'mix'
						? 'Go on: divide it'
						: 'Go on: take it'
					: DECISION_TEXT[decision].replace(/^./, (letter) => letter.toUpperCase())}</button
			>
		{/each}
	</div>
	{#if entry.message}<p role="alert" class="mt-2">
			<span class="act-now px-2">{entry.kept ? 'Kept' : 'Check'}</span>
			{entry.message}
		</p>{/if}
	{#if dough.view.judgements.length > 0}
		<ul class="mt-3" data-judgements>
			{#each [...dough.view.judgements].reverse() as judgement (judgement.id)}
				<li class="border-t border-line py-1">
					{clockText(judgement.occurredAtMs, room.bakery.timeZone)}, {judgement.by}:
					<b>{VERDICT_TEXT[judgement.verdict]}</b>, decided to {DECISION_TEXT[
						judgement.decision
					]}{judgement.sightings.length > 0
						? ` (${judgement.sightings.map(sightingText).join(', ')})`
						: ', by the clock alone'}
				</li>
			{/each}
		</ul>
	{/if}
</section>

<style>
	.big {
		min-height: 60px;
		min-width: 150px;
		font-size: 19px;
	}
</style>
