<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { FormulaDraftView } from '../../contracts/views.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import { revisionOf } from './draft.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';
	import { readDifferences } from './revision-diff.ts';
	import RevisionDifferences from './RevisionDifferences.svelte';

	interface Props {
		model: FormulaModel;
		drafts: readonly FormulaDraftView[];
	}
	let { model, drafts }: Props = $props();
	const room = useRoom();
	const { bakery } = room;
	const names = $derived({
		ingredients: model.view.ingredients,
		deliveries: model.view.deliveries,
		units: bakery.units
	});

	const setAside = (draftId: string) =>
		model.setAside(draftId, room.now.epochMs, () => readAnew('jovet:day'));
</script>

{#each drafts as draft (draft.id)}
	<section class="mb-3 border-2 border-ink bg-sheet p-4" data-draft>
		<h2>A draft stands beside this formula</h2>
		<p class="mb-2">
			{draft.by} saved it on {dayText(draft.savedAtMs, bakery.timeZone)} at
			{clockText(draft.savedAtMs, bakery.timeZone)}, from revision {draft.baseRevision}, after
			someone else had saved. Nothing was merged. Against what is on the sheet now:
		</p>
		<RevisionDifferences
			parts={readDifferences(revisionOf(model.draft, model.view), draft.revision, names)}
		/>
		<div class="mt-3 flex flex-wrap gap-2">
			<button class="action" onclick={() => model.takeUp(draft)}>Put the draft on the sheet</button>
			<button class="action-lesser" onclick={() => setAside(draft.id)}>Set the draft aside</button>
		</div>
	</section>
{/each}
