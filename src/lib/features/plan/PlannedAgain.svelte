<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { Progress } from '@skeletonlabs/skeleton-svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { PlanView } from '../../contracts/views.ts';
	import type { WorkEntry } from '../../core/bench/index.ts';
	import { ahead, holds, type PlannedOven } from '../../core/planning/index.ts';
	import { cautionText } from '../../wording/caution-text.ts';
	import Difference from './Difference.svelte';
	import { PlanModel } from './plan-model.svelte.ts';
	import { planSentence } from './plan-sentence.ts';

	interface Props {
		view: PlanView;
		tapped: readonly WorkEntry[];
		onClose: () => void;
	}
	let { view, tapped, onClose }: Props = $props();
	const room = useRoom();
	const zone = room.bakery.timeZone;
	const model = new PlanModel(
		untrack(() => view),
		() => room.now.epochMs,
		() => tapped
	);
	const sending = new Sending(room.retries);
	onMount(() => {
		void model.begin(true);
		return () => model.close();
	});
	const plan = $derived(model.found?.plan ?? null);
	const works = $derived(model.phase.kind === 'planning' || model.phase.kind === 'improving');
	const sentence = $derived(plan ? planSentence(plan, model.input, zone, view.unmade.length) : '');
	const deckIds = ({ decks }: PlannedOven) => decks.map(({ id }) => id);
	const isDown = (oven: PlannedOven) =>
		deckIds(oven).every((id) =>
			model.wishes.some((wish) => wish.kind === 'deck-down' && wish.deckId === id)
		);
	/** An oven that is lost is out for the rest of the night, until somebody says that it is there again. */
	function turn(oven: PlannedOven) {
		const ids = deckIds(oven);
		const others = model.wishes.filter(
			(wish) => wish.kind !== 'deck-down' || !ids.includes(wish.deckId)
		);
		void model.wish(
			isDown(oven)
				? others
				: [...others, ...ids.map((deckId) => ({ kind: 'deck-down' as const, deckId }))]
		);
	}
	/** What breaks something is asked about once. */
	let asking = $state(false);
	async function accept() {
		const placement = model.found?.placement;
		if (!placement || !plan) return;
		if (!holds(plan) && !asking) {
			asking = true;
			return;
		}
		await sending.send(
			{
				kind: 'accept-plan',
				occurredAtMs: Math.round(room.now.epochMs),
				date: view.date,
				fingerprint: view.fingerprint,
				placement
			},
			async ({ outcome }) => {
				if (outcome !== 'done') return;
				await readAnew('jovet:day');
				onClose();
			}
		);
	}
</script>

<p data-again-sentence>
	<b>{works && !plan ? 'Planning from what was done so far.' : sentence}</b>
</p>
{#if works}
	<Progress value={null}>
		<Progress.Label class="sr-only">Looking for a plan</Progress.Label>
		<Progress.Track class="h-2 border border-ink bg-sheet">
			<Progress.Range class="h-full bg-ink" />
		</Progress.Track>
	</Progress>
{/if}
{#if model.phase.kind === 'failed'}<p role="alert">{model.phase.message}</p>{/if}
<div class="ways" role="group" aria-label="What is out of use">
	{#each view.input.bakery.ovens as oven (oven.id)}
		<button
			class={isDown(oven) ? 'action' : 'action-lesser'}
			aria-pressed={isDown(oven)}
			onclick={() => turn(oven)}>{oven.name} is down</button
		>
	{/each}
</div>
{#if plan}
	{#if plan.cautions.length > 0}
		<ul data-again-cautions>
			{#each plan.cautions as caution, index (index)}
				<li>{cautionText(caution, plan.tasks, model.input, zone)}</li>
			{/each}
		</ul>
	{/if}
	{#if model.difference && view.accepted}
		<Difference
			difference={ahead(model.difference, room.now.epochMs)}
			input={model.input}
			version={view.accepted.number}
			onSelect={null}
		/>
	{/if}
{/if}
{#if asking}
	<p role="alert">
		This plan breaks something that is wished or needed. Accept it only if you will settle that by
		hand.
	</p>
{/if}
{#if sending.message}<p role="alert">{sending.message}</p>{/if}
<div class="ways">
	<button class="action" disabled={!plan || works || sending.busy} onclick={() => void accept()}
		>{asking ? 'Accept it as it is' : 'Accept this plan'}</button
	>
	<button class="action-lesser" onclick={onClose}>Leave it</button>
</div>

<style>
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		padding: 8px 0;
	}
</style>
