<script lang="ts">
	import type { ToldResults } from '../../client/told-results.svelte.ts';
	import {
		judgeReadiness,
		SIGHTS,
		type ClockStanding,
		type Sighting,
		type SightingKind
	} from '../../core/fermentation/index.ts';
	import type { LookedAt, PieceDecision, PortionRef } from '../../core/results/index.ts';
	import SightingsField from '../../fields/SightingsField.svelte';
	import Verdict from '../../fields/Verdict.svelte';
	import { capital } from '../../wording/capital.ts';
	import { PIECE_DECISION_TEXT, whatCanBeDone } from '../../wording/result-text.ts';

	interface Props {
		name: string;
		portion: PortionRef;
		/** Where they are looked at, and how they stand there by the clock. */
		at: LookedAt;
		clock: ClockStanding;
		bookFactor: number;
		results: ToldResults;
		onDecided: (decision: PieceDecision) => void;
	}
	let { name, portion, at, clock, bookFactor, results, onDecided }: Props = $props();
	/** What can be decided there, what most often follows first. */
	const WAYS: Readonly<Record<LookedAt, readonly PieceDecision[]>> = {
		rest: ['shape', 'wait', 'pre-shape-again'],
		proof: ['load', 'wait', 'cold', 'pre-shape-again']
	};
	let seen: Readonly<Partial<Record<SightingKind, Sighting>>> = $state.raw({});
	const sightings = $derived(Object.values(seen));
	const readiness = $derived(judgeReadiness(clock, sightings));

	async function decide(decision: PieceDecision) {
		// As the clock stood when it was decided.
		const told = {
			kind: 'judged',
			at,
			clock: { ...clock },
			bookFactor,
			sightings: [...sightings],
			decision
		} as const;
		const what = `${name}: ${PIECE_DECISION_TEXT[decision]}`;
		if (await results.tell(portion, told, what)) onDecided(decision);
	}
</script>

<section class="look" aria-label="Look at {name}" data-look-at-pieces>
	<SightingsField
		kinds={at === 'rest' ? SIGHTS.rested : SIGHTS.pieces}
		{seen}
		onSet={(now: typeof seen) => (seen = now)}
	/>
	<Verdict {readiness} />
	<p class="can" data-can-be-done>{whatCanBeDone(readiness, at)}</p>
	<div class="ways" role="group" aria-label="What is done about it">
		{#each WAYS[at] as decision (decision)}
			<button class="action-lesser" onclick={() => void decide(decision)}
				>{capital(PIECE_DECISION_TEXT[decision])}</button
			>
		{/each}
	</div>
	{#if results.message}<p role="alert"><b>{results.message}</b></p>{/if}
</section>

<style>
	.look {
		display: grid;
		gap: 8px;
		padding-top: 12px;
	}
	.can {
		font-size: 19px;
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.ways button {
		min-height: 64px;
		font-size: 19px;
	}
</style>
