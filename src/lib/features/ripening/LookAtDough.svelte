<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import {
		judgeReadiness,
		SIGHTINGS,
		type ReadinessDecision,
		type Sighting,
		type SightingKind
	} from '../../core/fermentation/index.ts';
	import {
		DECISION_TEXT,
		readinessReason,
		seenText,
		SIGHTING_TEXT,
		sightingText,
		VERDICT_TEXT
	} from '../../wording/readiness-text.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { clockText } from '../../wording/time-text.ts';
	import type { FollowedDough } from './ripening-model.svelte.ts';

	interface Props {
		dough: FollowedDough;
	}
	let { dough }: Props = $props();
	const room = useRoom();
	const title = $derived(mixTitle(dough.view));
	let seen: Readonly<Partial<Record<SightingKind, Sighting>>> = $state.raw({});
	const entry = new BenchEntry(room.outbox);

	const kinds = Object.keys(SIGHTINGS) as SightingKind[];
	const optionsOf = (kind: SightingKind) =>
		SIGHTINGS[kind].map((sign) => ({ kind, seen: sign }) as Sighting);
	const sightings = $derived(Object.values(seen));
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
	function press(sighting: Sighting) {
		const { [sighting.kind]: before, ...others } = seen;
		// Pressed again it was not seen after all.
		seen = before?.seen === sighting.seen ? others : { ...others, [sighting.kind]: sighting };
	}

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
	<div class="kinds">
		{#each kinds as kind (kind)}
			<div role="group" aria-label={SIGHTING_TEXT[kind]} class="kind">
				<span class="label">{SIGHTING_TEXT[kind]}</span>
				{#each optionsOf(kind) as option (option.seen)}
					<button
						type="button"
						class="chip"
						aria-pressed={seen[kind]?.seen === option.seen}
						data-seen="{kind}:{option.seen}"
						onclick={() => press(option)}>{seenText(option)}</button
					>
				{/each}
			</div>
		{/each}
	</div>
	<div class="verdict" data-verdict={readiness.verdict}>
		<p class="word">{VERDICT_TEXT[readiness.verdict]}</p>
		<p>{readinessReason(readiness)}</p>
	</div>
	<div class="mt-3 flex flex-wrap gap-3">
		{#each ['wait', 'fold-again', 'go-on'] as const as decision (decision)}
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
	.kinds {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(330px, 100%), 1fr));
		gap: 6px 24px;
	}
	.kind {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px;
		padding: 4px 0;
		border-top: 1px solid var(--line);
	}
	.label {
		width: 100%;
		color: var(--ink-2);
	}
	.chip {
		min-height: 56px;
		padding: 4px 12px;
		border: 2px solid var(--line);
		cursor: pointer;
	}
	.chip[aria-pressed='true'] {
		background: var(--ink);
		border-color: var(--ink);
		color: var(--sheet);
		font-weight: 700;
	}
	.verdict {
		display: grid;
		grid-template-columns: auto 1fr;
		align-items: center;
		gap: 4px 20px;
		margin-top: 14px;
		padding: 10px 14px;
		border: 2px solid var(--ink);
	}
	.word {
		font-size: 34px;
		font-weight: 800;
		line-height: 1.1;
	}
	.big {
		min-height: 60px;
		min-width: 150px;
		font-size: 19px;
	}
</style>
