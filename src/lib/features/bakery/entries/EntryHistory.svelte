<script lang="ts">
	import type { EntryRevisionView } from '../../../contracts/bakery-views.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import { momentText, shortDateText } from '../../../wording/time-text.ts';
	import { entryChanges } from './entry-changes.ts';

	interface Props {
		/** Those of one entry, newest first. */
		revisions: readonly EntryRevisionView[];
	}
	let { revisions }: Props = $props();
	const room = useRoom();
	/** What always was so. */
	const BEGINNING = '2000-01-01';
</script>

<details class="mt-3 border border-line bg-sheet px-4" data-entry-history>
	<summary class="min-h-11 cursor-pointer py-2 font-bold">
		{revisions.length === 1 ? 'Saved once' : `Saved ${revisions.length} times`}
	</summary>
	<ol>
		{#each revisions as revision, at (revision.number)}
			<li class="border-t border-line py-2">
				<b
					>{revision.appliesFrom === BEGINNING
						? 'from the start'
						: `from ${shortDateText(revision.appliesFrom)}`}</b
				>: {entryChanges(revision, revisions[at + 1]).join('; ')}
				<span class="block text-note text-ink-2">
					{revision.by === '' ? 'from before entries had a history' : revision.by},
					{momentText(revision.occurredAtMs, room.now.epochMs, room.bakery.timeZone)}
				</span>
			</li>
		{/each}
	</ol>
</details>
