<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { CultureView } from '../../contracts/culture-views.ts';
	import { cultureEntryText, cultureMass, type Telling } from '../../wording/culture-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import type { Tending } from './tending.svelte.ts';

	interface Props {
		culture: CultureView;
		tending: Tending;
		tell: Telling;
	}
	let { culture, tending, tell }: Props = $props();
	const { units } = useRoom().bakery;
	/** What was written down wrongly is taken back within a day. */
	const STRUCK_WITHIN_MS = 24 * 3_600_000;
	/** So many lines stand there at first. */
	const FEW = 6;
	let all = $state(false);
	const shown = $derived(all ? culture.entries : culture.entries.slice(0, FEW));
</script>

{#if culture.entries.length > 0}
	<section class="mt-4" aria-label="What happened to it">
		<h3>What happened to it</h3>
		<ul data-log>
			{#each shown as entry, index (entry.id ?? `used ${index}`)}
				<li class="entry">
					<span class="when">{momentText(entry.atMs, tell.nowMs, tell.zone)}</span>
					<span class="grow"
						>{cultureEntryText(entry, units)}{#if entry.kind !== 'used'}, by {entry.by}{/if}</span
					>
					<span>{entry.afterGrams === null ? '' : cultureMass(entry.afterGrams, units)}</span>
					{#if entry.id !== null && tell.nowMs - entry.atMs < STRUCK_WITHIN_MS}
						<button
							class="action-small"
							disabled={tending.busy}
							aria-label="Take back: {cultureEntryText(entry, units)}"
							onclick={() => tending.strike(entry.id ?? undefined)}>Take back</button
						>
					{/if}
				</li>
			{/each}
		</ul>
		{#if culture.entries.length > FEW}
			<button class="action-lesser mt-2" onclick={() => (all = !all)}
				>{all ? 'The newest alone' : `All ${culture.entries.length} that are kept in sight`}</button
			>
		{/if}
	</section>
{/if}

<style>
	.entry {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 14px;
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	.when {
		min-width: 130px;
	}
	.grow {
		flex: 1 1 240px;
	}
</style>
