<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import type { RipeningView } from '../../contracts/ripening-views.ts';
	import type { Leg } from '../../core/formula/index.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { clockText } from '../../wording/time-text.ts';
	import { coldConstant, type FollowedDough } from './ripening-model.svelte.ts';

	interface Props {
		dough: FollowedDough;
		view: RipeningView;
	}
	let { dough, view }: Props = $props();
	const room = useRoom();
	const entry = new BenchEntry(room.outbox);
	/** Everything can be taken back for a minute. */
	const UNDO_MS = 60_000;
	interface Undo {
		/** The entry of the move. */
		readonly entryId: string;
		readonly name: string;
		readonly untilMs: number;
	}
	let undo = $state.raw<Undo | null>(null);

	const here = $derived(dough.story.ahead[0]);
	const inCold = $derived(dough.view.retarderId);
	const home = $derived(dough.view.step?.legs.find((leg) => leg.place !== 'cold'));
	const canUndo = $derived(undo !== null && room.now.epochMs < undo.untilMs);

	async function move(leg: Leg, retarderId: string | null, name: string) {
		await entry.send(
			{
				kind: 'move-dough',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: dough.view.batch,
				place: leg.place,
				ambientCelsius: leg.ambientCelsius,
				timeConstantMinutes: leg.timeConstantMinutes,
				retarderId
			},
			`${mixTitle(dough.view)}: to the ${name.toLowerCase()}`,
			async (answer) => {
				if (!answer) return;
				undo = { entryId: answer.entryId, name, untilMs: room.now.epochMs + UNDO_MS };
				await readAnew('jovet:moment');
			}
		);
	}
	async function takeBack(entryId: string) {
		await entry.send(
			{ kind: 'strike-entry', occurredAtMs: Math.round(room.now.epochMs), entryId },
			`${mixTitle(dough.view)}: the move was taken back`,
			async (answer) => {
				undo = null;
				if (answer) await readAnew('jovet:moment');
			}
		);
	}
	function toCold(retarder: RipeningView['retarders'][number]) {
		return move(
			{
				named: null,
				place: 'cold',
				ambientCelsius: retarder.setCelsius,
				timeConstantMinutes: coldConstant(dough.view),
				minutes: null
			},
			retarder.id,
			retarder.name
		);
	}
</script>

<div class="mt-3 flex flex-wrap items-center gap-3" data-move>
	{#each view.retarders as retarder (retarder.id)}
		{#if retarder.id !== inCold}
			<button class="action-lesser big" disabled={entry.busy} onclick={() => toCold(retarder)}
				>Send to the {retarder.name.toLowerCase()}</button
			>
		{/if}
	{/each}
	{#if here?.place === 'cold' && home}
		<button
			class="action-lesser big"
			disabled={entry.busy}
			onclick={() =>
				move({ ...home, ambientCelsius: view.roomCelsius, minutes: null }, null, 'room')}
			>Back to the room</button
		>
	{/if}
	{#if undo && canUndo}
		{@const back = undo}
		<button class="action big" disabled={entry.busy} onclick={() => takeBack(back.entryId)}
			>Take it back: it went to the {undo.name.toLowerCase()} at {clockText(
				undo.untilMs - UNDO_MS,
				room.bakery.timeZone
			)}</button
		>
	{/if}
	{#if entry.message}<p role="alert">
			<span class="act-now px-2">{entry.kept ? 'Kept' : 'Check'}</span>
			{entry.message}
		</p>{/if}
</div>

<style>
	.big {
		min-height: 56px;
	}
</style>
