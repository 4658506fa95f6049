<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { dayAsIf } from '../../client/day-as-if.ts';
	import type { PlanView } from '../../contracts/views.ts';
	import type { PlanWish, WhatIf } from '../../core/planning/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import type { PlanModel } from './plan-model.svelte.ts';
	import { whatIfText } from './what-if-text.ts';

	interface Props {
		model: PlanModel;
		view: PlanView;
	}
	let { model, view }: Props = $props();
	const room = useRoom();
	const input = $derived(view.input);

	const DEGREES = [-4, -2, 2, 4, 6, 8];
	const SHARES = [0.8, 0.9, 1.1];
	const ovens = $derived(
		input.bakery.ovens.flatMap(({ id, name, decks }) => [
			...(decks.length > 1
				? [{ value: `oven ${id}`, label: name, decks: decks.map((deck) => deck.id) }]
				: []),
			...decks.map((deck) => ({ value: deck.id, label: deck.name, decks: [deck.id] }))
		])
	);
	/** Flour that is late comes within a night's work (our default), told by the half hour. */
	const HALF_HOUR_MS = 30 * 60_000;
	const FLOUR_STEPS = 16;
	const firstMs = $derived(
		Math.max(
			room.now.epochMs,
			Math.min(...(model.shown?.plan.tasks.map(({ startMs }) => startMs) ?? [room.now.epochMs]))
		)
	);
	const flourTimes = $derived(
		Array.from(
			{ length: FLOUR_STEPS },
			(_, at) => (Math.ceil(firstMs / HALF_HOUR_MS) + at) * HALF_HOUR_MS
		)
	);
	let unread = $state(false);
	const ordered = $derived(model.whatIf.find((what) => what.kind === 'orders') ?? null);
	const orderKey = (dropId: string, times: number) => `${dropId} ${times}`;
	const AS_ORDERED = 'as ordered';
	const TIMES = [2, 0];
	async function supposeOrders(value: string): Promise<void> {
		const [dropId = '', times = ''] = value.split(' ');
		if (value === AS_ORDERED) return suppose('orders', null);
		const day = await dayAsIf(view.date, dropId, Number(times));
		unread = day === null;
		if (!day) return;
		const others = model.whatIf.filter((one) => one.kind !== 'orders');
		await model.suppose([...others, { kind: 'orders', dropId, times: Number(times) }], day);
	}
	const warmer = $derived(model.whatIf.find((what) => what.kind === 'room')?.kelvins ?? 0);
	const share = $derived(model.whatIf.find((what) => what.kind === 'leaven')?.share ?? 1);

	function suppose(kind: WhatIf['kind'], what: WhatIf | null) {
		const others = model.whatIf.filter((one) => one.kind !== kind);
		void model.suppose(what ? [...others, what] : others);
	}
	function know(wishes: readonly PlanWish[]) {
		void model.wish([...model.wishes, ...wishes]);
	}
	function down(value: string) {
		const decks = ovens.find((oven) => oven.value === value)?.decks ?? [];
		const known = new Set(
			model.wishes.flatMap((wish) => (wish.kind === 'deck-down' ? [wish.deckId] : []))
		);
		know(decks.filter((id) => !known.has(id)).map((deckId) => ({ kind: 'deck-down', deckId })));
	}
	function away(personId: string) {
		const others = model.wishes.filter(
			(wish) => wish.kind !== 'away' || wish.personId !== personId
		);
		const shift = input.people?.find(({ id }) => id === personId)?.there ?? [];
		const nowMs = Math.round(room.now.epochMs);
		const first = Math.min(...shift.map(({ fromMs }) => fromMs));
		void model.wish([
			...others,
			{ kind: 'away', personId, fromMs: Math.max(nowMs, Number.isFinite(first) ? first : nowMs) }
		]);
	}
</script>

<section class="suppose" aria-label="What if" data-suppose>
	<div>
		<h2>It is so tonight</h2>
		<p class="text-note text-ink-2">The plan goes around it, and can be accepted.</p>
		<div class="boxes">
			<Choice
				label="An oven or a deck is down"
				placeholder="An oven or a deck is down"
				options={ovens.map(({ value, label }) => ({ value, label }))}
				value=""
				onSet={down}
			/>
			{#if input.people}
				<Choice
					label="Somebody is not there"
					placeholder="Somebody is not there"
					options={input.people.map(({ id, name }) => ({ value: id, label: name }))}
					value=""
					onSet={away}
				/>
			{/if}
			<Choice
				label="The flour is late"
				placeholder="The flour is late"
				options={flourTimes.map((ms) => ({
					value: String(ms),
					label: `Flour comes at ${clockText(ms, room.bakery.timeZone)}, ${dayText(ms, room.bakery.timeZone)}`
				}))}
				value=""
				onSet={(value) => {
					const others = model.wishes.filter(({ kind }) => kind !== 'flour-from');
					void model.wish([...others, { kind: 'flour-from', atMs: Number(value) }]);
				}}
			/>
		</div>
	</div>
	<div>
		<h2>Only to look at</h2>
		<p class="text-note text-ink-2">What the plan would be; it cannot be accepted.</p>
		<div class="boxes">
			<Choice
				label="The rooms are warmer or colder"
				options={[
					{ value: '0', label: 'Rooms as they are' },
					...DEGREES.map((kelvins) => ({
						value: String(kelvins),
						label: `Rooms ${Math.abs(kelvins)} degrees ${kelvins > 0 ? 'warmer' : 'colder'}`
					}))
				]}
				value={String(warmer)}
				onSet={(value) =>
					suppose('room', value === '0' ? null : { kind: 'room', kelvins: Number(value) })}
			/>
			<Choice
				label="More or less yeast and culture"
				options={[
					{ value: '1', label: 'Yeast and culture as written' },
					...SHARES.map((part) => ({
						value: String(part),
						label: `${Math.round(100 * part)} % of the yeast and culture`
					}))
				]}
				value={String(share)}
				onSet={(value) =>
					suppose('leaven', value === '1' ? null : { kind: 'leaven', share: Number(value) })}
			/>
			<Choice
				label="More or less ordered"
				options={[
					{ value: AS_ORDERED, label: 'Orders as they are' },
					...input.drops.flatMap(({ id }) =>
						TIMES.map((times) => ({
							value: orderKey(id, times),
							label: whatIfText({ kind: 'orders', dropId: id, times }, input)
						}))
					)
				]}
				value={ordered ? orderKey(ordered.dropId, ordered.times) : AS_ORDERED}
				onSet={(value: string) => void supposeOrders(value)}
			/>
		</div>
		{#if unread}<p role="alert">The orders could not be looked at. Try again in a moment.</p>{/if}
	</div>
</section>

<style>
	.suppose {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
		gap: 12px 32px;
		margin: 0 20px 12px;
		padding: 12px;
		border: 2px solid var(--ink);
		background: var(--sheet);
	}
	.boxes {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
		gap: 8px;
		margin-top: 6px;
	}
</style>
