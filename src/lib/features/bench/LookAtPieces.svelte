<script lang="ts">
	import type { ToldResults } from '../../client/told-results.svelte.ts';
	import {
		judgeReadiness,
		SIGHTS,
		type ClockStanding,
		type Sighting,
		type SightingKind
	} from '../../core/fermentation/index.ts';
	import {
		PIECE_DECISIONS,
		type PieceDecision,
		type PortionRef
	} from '../../core/results/index.ts';
	import SightingsField from '../../fields/SightingsField.svelte';
	import Verdict from '../../fields/Verdict.svelte';
	import { capital } from '../../wording/capital.ts';
	import { PIECE_DECISION_TEXT, whatCanBeDone } from '../../wording/result-text.ts';

	interface Props {
		name: string;
		portion: PortionRef;
		clock: ClockStanding;
		results: ToldResults;
		onDecided: () => void;
	}
	let { name, portion, clock, results, onDecided }: Props = $props();
	let seen: Readonly<Partial<Record<SightingKind, Sighting>>> = $state.raw({});
	const sightings = $derived(Object.values(seen));
	const readiness = $derived(judgeReadiness(clock, sightings));

	async function decide(decision: PieceDecision) {
		// As the clock stood when it was decided.
		const told = {
			kind: 'judged',
			clock: { ...clock },
			sightings: [...sightings],
			decision
		} as const;
		const what = `${name}: ${PIECE_DECISION_TEXT[decision]}`;
		if (await results.tell(portion, told, what)) onDecided();
	}
</script>

<section class="look" aria-label="Look at {name}" data-look-at-pieces>
	<SightingsField kinds={SIGHTS.pieces} {seen} onSet={(now: typeof seen) => (seen = now)} />
	<Verdict {readiness} />
	<p class="can" data-can-be-done>{whatCanBeDone(readiness)}</p>
	<div class="ways" role="group" aria-label="What is done about it">
		{#each PIECE_DECISIONS as decision (decision)}
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
