<script lang="ts">
	import { judgeCulture, type FollowedCulture } from '../../core/culture/index.ts';
	import { SIGHTS, type Sighting, type SightingKind } from '../../core/fermentation/index.ts';
	import SightingsField from '../../fields/SightingsField.svelte';
	import { readinessReason, sightingText, VERDICT_TEXT } from '../../wording/readiness-text.ts';
	import type { Tending } from './tending.svelte.ts';

	interface Props {
		followed: FollowedCulture;
		tending: Tending;
		onDone: () => void;
	}
	let { followed, tending, onDone }: Props = $props();
	let seen: Readonly<Partial<Record<SightingKind, Sighting>>> = $state.raw({});
	const sightings = $derived(Object.values(seen));
	const readiness = $derived(judgeCulture(followed, sightings));
</script>

<section aria-label="Look at it" data-look>
	<SightingsField kinds={SIGHTS.leaven} {seen} onSet={(now: typeof seen) => (seen = now)} />
	<div class="verdict" data-verdict={readiness.verdict}>
		<p class="word">{VERDICT_TEXT[readiness.verdict]}</p>
		<p>{readinessReason(readiness)}</p>
	</div>
	<button
		class="action big mt-3"
		disabled={tending.busy || sightings.length === 0}
		onclick={() =>
			tending.tend(
				{ kind: 'seen', sightings: [...sightings] },
				sightings.map(sightingText).join(', '),
				onDone
			)}>Write it down</button
	>
</section>

<style>
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
