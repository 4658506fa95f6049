<script lang="ts">
	import { resolve } from '$app/paths';

	interface Props {
		date: string;
		formulaId: string;
	}
	let { date, formulaId }: Props = $props();
	const KINDS = [
		{ kind: 'json', name: 'For another Jovet (JSON)' },
		{ kind: 'csv', name: 'As a table (CSV)' },
		{ kind: 'jsonld', name: 'As a recipe (JSON-LD)' }
	] as const;
</script>

<details class="mt-3" data-hand-on>
	<summary class="min-h-11 cursor-pointer py-2 font-bold">Hand it on as a file</summary>
	<p class="text-note text-ink-2">
		As it was saved last. The first has everything: pre-ferments, steps, products and their
		ingredients; a table and a recipe have what goes in. Prices, scales and places stay here.
	</p>
	<p class="flex flex-wrap gap-3 py-2">
		{#each KINDS as { kind, name } (kind)}
			<a
				class="action-lesser no-underline!"
				href={resolve(`/bake/${date}/formulas/${formulaId}/file.${kind}`)}
				download>{name}</a
			>
		{/each}
	</p>
</details>
