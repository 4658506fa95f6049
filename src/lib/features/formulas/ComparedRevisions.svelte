<script lang="ts">
	import type { FormulaView } from '../../contracts/views.ts';
	import { readDifferences } from './revision-diff.ts';
	import RevisionDifferences from './RevisionDifferences.svelte';

	interface Props {
		comparison: NonNullable<FormulaView['comparison']>;
		names: Parameters<typeof readDifferences>[2];
	}
	let { comparison, names }: Props = $props();
</script>

<RevisionDifferences parts={readDifferences(comparison.before, comparison.after, names)} />
