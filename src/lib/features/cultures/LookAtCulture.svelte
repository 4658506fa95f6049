<script lang="ts">
	import { judgeCulture, type FollowedCulture } from '../../core/culture/index.ts';
	import { SIGHTS, type Sighting, type SightingKind } from '../../core/fermentation/index.ts';
	import SightingsField from '../../fields/SightingsField.svelte';
	import Verdict from '../../fields/Verdict.svelte';
	import { sightingText } from '../../wording/readiness-text.ts';
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
	<Verdict {readiness} />
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
	.big {
		min-height: 60px;
		min-width: 150px;
		font-size: 19px;
	}
</style>
