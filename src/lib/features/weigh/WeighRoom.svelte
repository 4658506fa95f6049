<script lang="ts">
	import { resolve } from '$app/paths';
	import { onMount } from 'svelte';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { BenchScale } from '../../client/bench-scale.svelte.ts';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { WeighingLineView, WeighUpView } from '../../contracts/weighing-views.ts';
	import { lineState } from '../../core/weighing/index.ts';
	import { formatMass, formatTemperature } from '../../core/units/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { laterText } from '../../wording/addition-text.ts';
	import { capital } from '../../wording/capital.ts';
	import { CAUSTIC_CAUTION, PERISHABLE_CAUTION } from '../../wording/kind-text.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { poursOf } from '../../wording/order-text.ts';
	import AddByFeel from './AddByFeel.svelte';
	import LineOnScale from './LineOnScale.svelte';
	import { withKept } from './kept-weighings.ts';

	interface Props {
		view: WeighUpView;
	}
	let { view: read }: Props = $props();
	const room = useRoom();
	const entry = new BenchEntry(room.outbox);
	const scale = new BenchScale();
	onMount(() => scale.start());
	const view = $derived(withKept(read, room.outbox.untold, room.bakery.actor.name));
	const { units } = $derived(room.bakery);

	const states = $derived(view.lines.map((line) => lineState(line, line.weighed)));
	const isSettled = (at: number) => states[at]?.state === 'done' || states[at]?.state === 'kept';
	const next = $derived(view.lines.findIndex((_, at) => !isSettled(at)));
	/** A line that a hand went back to; the next that is open otherwise. */
	let chosen: number | null = $state(null);
	const at = $derived(chosen ?? (next < 0 ? null : next));
	const line = $derived(at === null ? null : (view.lines[at] ?? null));
	const inBowl = $derived(
		states.reduce((total, one) => total + one.inBowlGrams, 0) +
			view.byFeel.reduce((total, { grams }) => total + grams, 0)
	);
	const done = $derived(view.lines.filter((_, index) => isSettled(index)).length);
	const title = $derived(mixTitle(view));
	const sentence = $derived(
		next < 0
			? `${title} is weighed up: ${formatMass({ grams: inBowl }, 0, units)} in the bowl.`
			: done === 0
				? `${title}: ${view.lines.length} things to weigh, ${formatMass({ grams: view.totalGrams }, 0, units)} in all.`
				: `${title}: ${done} of ${view.lines.length} weighed, ${formatMass({ grams: inBowl }, 0, units)} in the bowl.`
	);
	const mass = ({ divisionGrams }: WeighingLineView, grams: number) =>
		formatMass({ grams }, divisionGrams < 1 ? 1 : 0, units);

	async function weigh(
		of: WeighingLineView,
		grams: number,
		{ closeEnough, how, lot }: { closeEnough: boolean; how: 'typed' | 'scale'; lot: string }
	) {
		await entry.send(
			{
				kind: 'weigh-line',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: view.batch,
				material: of.material,
				addition: of.addition,
				wantedGrams: of.wantedGrams,
				grams,
				how,
				closeEnough,
				scale: of.scale,
				lot
			},
			`${title}: ${mass(of, grams)} ${of.name}`,
			async (answer) => {
				chosen = null;
				// What is in the bowl stays on the scale: the next line counts from there.
				if (how === 'scale') scale.tareGrams += grams;
				else scale.tare();
				if (answer) await readAnew('jovet:day');
			}
		);
	}
	async function addByFeel(ingredientId: string, name: string, grams: number) {
		await entry.send(
			{
				kind: 'weigh-line',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: view.batch,
				material: { kind: 'ingredient', ingredientId },
				addition: 'by feel',
				wantedGrams: 0,
				grams,
				how: 'by-feel',
				closeEnough: true,
				scale: '',
				lot: ''
			},
			`${title}: ${formatMass({ grams }, 0, units)} ${name} by feel`,
			async (answer) => {
				if (answer) await readAnew('jovet:day');
			}
		);
	}
	async function strike(weighingId: string, what: string) {
		// What waits here was never heard of: it is taken out of what is to be sent.
		if (room.outbox.letters.some(({ id }) => id === weighingId)) {
			room.outbox.discard(weighingId);
			return;
		}
		await entry.send(
			{ kind: 'strike-weighing', occurredAtMs: Math.round(room.now.epochMs), weighingId },
			`${title}: ${what} did not go in`,
			async (answer) => {
				if (answer) await readAnew('jovet:day');
			}
		);
	}
	/** The weight that went in last, of whichever line. */
	const last = $derived(
		[...view.lines.flatMap((one) => one.weighed.map((weighed) => ({ ...weighed, name: one.name })))]
			.concat(view.byFeel)
			.sort((a, b) => b.at - a.at)[0] ?? null
	);
	const STATE_TEXT = { open: '', part: 'part', done: 'in', kept: 'in, as it is', over: 'too much' };
</script>

<RoomHeading
	{sentence}
	note={view.becomes.map(({ pieces, product }) => `${pieces} ${product}`).join(', ')}
>
	{#snippet actions()}
		{#if last}
			<button
				class="action-lesser"
				disabled={entry.busy}
				onclick={() => last && strike(last.id, last.name)}
				>Undo: {formatMass({ grams: last.grams }, last.grams < 100 ? 1 : 0, units)}
				{last.name}</button
			>
		{/if}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/doughs`)}>All doughs</a
		>
	{/snippet}
</RoomHeading>
{#if view.isCaustic}<p class="mx-5 mb-3 border-2 border-ink p-3">{CAUSTIC_CAUTION}</p>{/if}
{#if view.isPerishable}<p class="mx-5 mb-3">{PERISHABLE_CAUTION}</p>{/if}

<div class="room">
	<section class="current" aria-label="On the scale now">
		{#if line && at !== null}
			{#key `${line.key} ${line.weighed.length}`}
				<LineOnScale
					{line}
					state={states[at] ?? lineState(line, line.weighed)}
					{view}
					busy={entry.busy}
					{scale}
					onWeigh={(grams: number, how: Parameters<typeof weigh>[2]) => weigh(line, grams, how)}
				/>
			{/key}
			{#if line.kind === 'water' && view.water}
				<p class="mt-3 text-lead" data-pour>
					{capital(view.water.liquid)} at
					<b>{formatTemperature(view.water.order.temperature, 1, units)}</b>:
					{poursOf(view.water.order, 'tap', units)
						.map(({ name, figure, unit }) => `${name} ${figure}\u00A0${unit}`)
						.join(', ')}
				</p>
			{/if}
		{:else}
			<p class="text-large font-bold">All in.</p>
			<p class="text-lead">
				{formatMass({ grams: inBowl }, 0, units)} in the bowl, {formatMass(
					{ grams: view.totalGrams },
					0,
					units
				)} wanted.
			</p>
			<p class="mt-4">
				<a class="action no-underline!" href={resolve(`/bake/${view.date}/water`)}
					>Mix it, and measure the dough</a
				>
			</p>
		{/if}
		{#if entry.message}<p class="mt-3" role="status" data-weigh-message>{entry.message}</p>{/if}
		{#if scale.scales.length > 0}
			<div class="mt-4 flex flex-wrap items-center gap-3" data-scales>
				<span>Scale beside this screen</span>
				<div class="w-64">
					<Choice
						label="Scale beside this screen"
						options={[
							{ value: '', label: 'none: weights are typed' },
							...scale.scales.map(({ sensorId, name }) => ({ value: sensorId, label: name }))
						]}
						value={scale.chosenId ?? ''}
						onSet={(sensorId: string) => scale.choose(sensorId === '' ? null : sensorId)}
					/>
				</div>
			</div>
		{/if}
		<AddByFeel {view} busy={entry.busy} onAdd={addByFeel} />
	</section>
	<ol class="lines" aria-label="In the order in which they go in">
		{#each view.lines as one, index (one.key)}
			{@const state = states[index]}
			<li>
				<button
					type="button"
					class="line"
					aria-current={index === at ? 'step' : undefined}
					data-line={one.name}
					data-line-state={state?.state}
					onclick={() => (chosen = index)}
				>
					<span class="name"
						>{one.name}
						{#if laterText(one.addition)}<span class="text-note font-normal"
								>{laterText(one.addition)}</span
							>{/if}</span
					>
					<span class="figures">
						{mass(one, one.wantedGrams)}
						{#if state && state.inBowlGrams > 0}
							<span class="block text-note"
								>{mass(one, state.inBowlGrams)} {STATE_TEXT[state.state]}</span
							>
						{/if}
					</span>
				</button>
			</li>
		{/each}
		{#each view.byFeel as one (one.id)}
			<li class="px-3 py-2 text-note" data-by-feel>
				{formatMass({ grams: one.grams }, 0, units)}
				{one.name}, by feel
			</li>
		{/each}
	</ol>
</div>

<style>
	.room {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(280px, 2fr);
		gap: 20px;
		padding: 0 20px 20px;
		align-items: start;
	}
	.current {
		padding: 16px 20px;
		border: 2px solid var(--ink);
		background: var(--sheet);
	}
	.lines {
		border: 1px solid var(--line);
		background: var(--sheet);
	}
	.line {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 12px;
		width: 100%;
		min-height: 52px;
		padding: 6px 12px;
		border-bottom: 1px solid var(--line);
		text-align: left;
		cursor: pointer;
	}
	.line[aria-current] {
		background: var(--ink);
		color: var(--sheet);
	}
	.line[data-line-state='done']:not([aria-current]) .name,
	.line[data-line-state='kept']:not([aria-current]) .name {
		text-decoration: line-through;
	}
	.name {
		font-weight: 700;
	}
	.figures {
		text-align: right;
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
	@media (max-width: 800px) {
		.room {
			grid-template-columns: 1fr;
		}
	}
</style>
