<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BakeDayInput, DayPlan } from '../../core/planning/index.ts';
	import { formatMinutes, formatNumber } from '../../core/units/index.ts';
	import { agreedText } from '../../wording/agreed-text.ts';
	import { deliverySentence } from '../../wording/delivery-text.ts';
	import { activityText, subjectText } from '../../wording/task-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import type { PlanModel } from './plan-model.svelte.ts';
	import { latePieces, spareOf, spareText } from './plan-sentence.ts';

	interface Props {
		plan: DayPlan;
		input: BakeDayInput;
		model: PlanModel;
		onSelect: (taskId: string | null) => void;
	}
	let { plan, input, model, onSelect }: Props = $props();
	const { timeZone: zone } = useRoom().bakery;

	/** Below this nothing is said of chance: the runs do not tell it from none. */
	const WORTH_SAYING = 0.01;
	/** More room than this before a drop is another night, not one change. */
	const MOST_MORE_MINUTES = 60;
	/** The latest of a drop's products are named, the others counted. */
	const MOST_LATE_NAMED = 4;
	const drops = $derived(
		plan.drops
			.filter((drop) => drop.readyMs !== null || plan.unplaced.length > 0)
			.map((drop) => {
				const chance = model.lookedInto?.chances?.find((one) => one.dropId === drop.dropId) ?? null;
				const weakest = plan.tasks.find((task) => task.id === chance?.weakest) ?? null;
				return { ...drop, chance, weakest };
			})
	);
	function wantMore(dropId: string, minutes: number) {
		const held = model.wishes.find(
			(wish) => wish.kind === 'more-to-spare' && wish.dropId === dropId
		);
		const before = held?.kind === 'more-to-spare' ? held.minutes : 0;
		void model.wish([
			...model.wishes.filter((wish) => wish !== held),
			{ kind: 'more-to-spare', dropId, minutes: before + minutes }
		]);
	}
	const percent = (share: number) =>
		share < WORTH_SAYING ? 'under 1 %' : `${formatNumber(100 * share, 0)} %`;
</script>

<section aria-labelledby="drops" data-drops class="mb-4">
	<h2 id="drops">Drops</h2>
	<ul>
		{#each drops as drop (drop.dropId)}
			<li class="border-b border-line py-2" data-drop={drop.name}>
				<b class="text-lead">{clockText(drop.dueMs, zone)} {drop.name}</b>
				{#if (spareOf(drop) ?? 0) < 0}
					{@const late = latePieces(drop, input).toSorted((a, b) => b.minutes - a.minutes)}
					{#each late.slice(0, MOST_LATE_NAMED) as piece (piece.name)}
						<span class="late">{piece.name} {formatMinutes(piece.minutes)} late</span>
					{/each}
					{#if late.length > MOST_LATE_NAMED}
						<span>and {late.length - MOST_LATE_NAMED} more by less;</span>
					{/if}
				{/if}
				{#if (spareOf(drop) ?? 0) >= 0 || drop.othersReadyMs !== null || drop.late.length === 0}
					<span>{spareText(drop)}</span>
				{/if}
				{#if agreedText(drop, input, zone) !== ''}
					<span class="block text-note">{agreedText(drop, input, zone)}</span>
				{/if}
				{#if deliverySentence(drop.dropId, plan, input, zone) !== ''}
					<span class="block text-note">{deliverySentence(drop.dropId, plan, input, zone)}</span>
				{/if}
				{#if drop.chance}
					<span class="block text-note text-ink-2">
						Late in {percent(drop.chance.lateShare)} of such nights{drop.chance.lateInTenMinutes > 0
							? `, in nine of ten by no more than ${formatMinutes(drop.chance.lateInTenMinutes)}`
							: ''}.
						{#if drop.weakest && drop.chance.lateShare >= WORTH_SAYING}
							Most of it from
							<button
								class="cursor-pointer underline"
								onclick={() => onSelect(drop.weakest?.id ?? null)}
								>{activityText(drop.weakest).toLowerCase()}
								{subjectText(drop.weakest, input)}</button
							>.
							{#if (spareOf(drop) ?? -1) >= 0 && drop.chance.toHalveMinutes > 0 && drop.chance.toHalveMinutes <= MOST_MORE_MINUTES}
								<button
									class="action-lesser mt-1"
									onclick={() => wantMore(drop.dropId, drop.chance?.toHalveMinutes ?? 0)}
									>Halve it: {drop.chance.toHalveMinutes} min more to spare</button
								>
							{/if}
						{/if}
					</span>
				{/if}
			</li>
		{/each}
	</ul>
</section>

<style>
	.late {
		background: var(--act);
		color: var(--act-ink);
		padding: 0 6px;
		font-weight: 700;
	}
</style>
