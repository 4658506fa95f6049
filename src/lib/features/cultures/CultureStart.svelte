<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { CultureStartView } from '../../contracts/culture-views.ts';
	import {
		LEAST_DAYS,
		RISES_WANTED,
		weightOf,
		type StartingStanding
	} from '../../core/culture/index.ts';
	import {
		BEGINNING_TEXT,
		cultureMass,
		startingStepText,
		type Telling
	} from '../../wording/culture-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import type { Tending } from './tending.svelte.ts';

	interface Props {
		start: StartingStanding;
		began: CultureStartView;
		tending: Tending;
		tell: Telling;
	}
	let { start, began, tending, tell }: Props = $props();
	const { units } = useRoom().bakery;
	const isDue = $derived(start.next.dueMs <= tell.nowMs);

	function done() {
		const { what, seedGrams, flourGrams, waterGrams } = start.next;
		if (what === 'stir' || what === 'air') return tending.tend({ kind: 'stirred' }, 'done');
		const feed = { seedGrams, flourGrams, waterGrams };
		return tending.feed(feed, { celsius: null }, `fed to ${cultureMass(weightOf(feed), units)}`);
	}
</script>

<section aria-label="Being started" data-start>
	<p class="text-lead">
		<b>Day {start.day}</b>, begun with {BEGINNING_TEXT[began.beginning].name.toLowerCase()}. It is
		trusted with bread when it doubles within twelve hours of {RISES_WANTED} feeds in a row, and not before
		day {LEAST_DAYS[began.beginning] + 1}; so far {start.rises} of {RISES_WANTED}.
	</p>
	<div class="next">
		<p class="text-ink-2">
			Next{isDue ? ', now' : `, at ${momentText(start.next.dueMs, tell.nowMs, tell.zone)}`}
		</p>
		<p class="what">{startingStepText(start.next, began.beginning, units)}</p>
		<div class="mt-2 flex flex-wrap gap-3">
			<button class="action big" disabled={tending.busy} onclick={done}>Done now</button>
			{#if start.isReady}
				<button
					class="action big"
					disabled={tending.busy}
					onclick={() => tending.tend({ kind: 'trusted' }, 'trusted with bread')}
					>Trust it with bread</button
				>
			{/if}
		</div>
	</div>
	{#if start.isSlow}
		<p class="mt-2 font-bold">
			It takes longer than any should. Stand it at 26 to 28 °C, feed it whole flour, or begin anew.
		</p>
	{/if}
	<p class="mt-2 text-ink-2">
		Stand it at 24 to 28 °C. After each feed look at it and write down how far it rose: that is what
		decides.
	</p>
</section>

<style>
	.next {
		margin-top: 10px;
		padding: 12px 14px;
		border: 2px solid var(--ink);
	}
	.what {
		font-size: 24px;
		line-height: 1.3;
	}
	.big {
		min-height: 60px;
		font-size: 19px;
	}
</style>
