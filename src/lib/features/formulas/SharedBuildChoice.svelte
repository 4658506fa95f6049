<script lang="ts">
	import type { FormulaModel } from './formula-model.svelte.ts';

	interface Props {
		model: FormulaModel;
	}
	let { model }: Props = $props();
</script>

{#each model.undecided as shared (shared.preparation.id)}
	<div class="mt-2 border-2 border-ink p-3" role="status" data-shared>
		<p>
			<b>{shared.preparation.name}</b> is also in {shared.sharedWith.join(', ')}. Whom is the change
			for?
			<span class="text-note text-ink-2"
				>For all: each of the others gets a revision and keeps its total as far as it can.</span
			>
		</p>
		<div class="mt-2 flex flex-wrap gap-2">
			<button class="action" onclick={() => model.changeForAll(shared.preparation.id)}
				>Change it for all</button
			>
			<button class="action-lesser" onclick={() => model.makeOwn(shared)}
				>Make it {model.draft.formula.name}’s own</button
			>
		</div>
	</div>
{/each}
