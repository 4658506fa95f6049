<script lang="ts">
	import type { Readiness } from '../core/fermentation/index.ts';
	import { readinessReason, VERDICT_TEXT } from '../wording/readiness-text.ts';

	interface Props {
		readiness: Readiness;
	}
	let { readiness }: Props = $props();
</script>

<div class="verdict" data-verdict={readiness.verdict}>
	<p class="word">{VERDICT_TEXT[readiness.verdict]}</p>
	<p>{readinessReason(readiness)}</p>
</div>

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
</style>
