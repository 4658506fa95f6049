<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { BakeDayInput, DayPlan } from '../../core/planning/index.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { cautionText } from '../../wording/caution-text.ts';

	interface Props {
		plan: DayPlan;
		input: BakeDayInput;
		date: BakeDate;
		onSelect: (taskId: string | null) => void;
	}
	let { plan, input, date, onSelect }: Props = $props();
	const { timeZone: zone } = useRoom().bakery;

	const nobody = $derived(plan.cautions.some(({ kind }) => kind === 'nobody'));
	/** What is chosen when a clash is; a delivery is no task of the ribbons. */
	const taskOf = (caution: DayPlan['cautions'][number]) => {
		if (caution.kind === 'nobody-for-drop' || caution.kind === 'drop-leaves-late') return null;
		if (caution.kind === 'overlap') return caution.second;
		return caution.kind === 'nobody' ? caution.task : caution.before;
	};
</script>

<section aria-labelledby="cautions" data-cautions class="mb-4">
	<h2 id="cautions" class="mb-1">
		<span class="act-now px-2">Clashes</span>
		{plan.cautions.length}
	</h2>
	<ul>
		{#each plan.cautions as caution, index (index)}
			<li class="border-b border-line">
				<button class="entry" onclick={() => onSelect(taskOf(caution))}>
					{cautionText(caution, plan.tasks, input, zone)}
				</button>
			</li>
		{/each}
	</ul>
	<p class="mt-1 text-note text-ink-2">
		{#if nobody}
			Every other way was looked for. More hands at these times, or fewer pieces, would part them:
			look at the
			<a href={resolve(`/bake/${date}/bakery/people`)}>shifts</a>.
		{:else}
			Every other way was looked for. Move one of them, or change what is ordered.
		{/if}
	</p>
</section>

<style>
	.entry {
		display: flex;
		gap: 12px;
		width: 100%;
		min-height: 44px;
		padding: 7px 4px;
		text-align: left;
		cursor: pointer;
	}
</style>
