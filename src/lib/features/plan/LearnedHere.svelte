<script lang="ts">
	import type { LearnedInPlan } from '../../core/planning/index.ts';
	import { learnedText } from '../../wording/learned-text.ts';

	interface Props {
		learned: readonly LearnedInPlan[];
	}
	let { learned }: Props = $props();
</script>

<ul>
	{#each learned as one (learnedText(one))}<li>{learnedText(one)}.</li>{/each}
</ul>
