<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import type { SubmitFunction } from '@sveltejs/kit';
	import { useRoom } from '../../client/room-context.ts';
	import type { Hand } from '../../client/hands-here.svelte.ts';
	import { resolve } from '$app/paths';
	import type { DoorProblem, HandsView } from '../../contracts/door-views.ts';
	import NumberPad from '../../ui/NumberPad.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import NightKept from './NightKept.svelte';
	import { doorProblemText } from '../../wording/door-text.ts';

	interface Props {
		hands: HandsView;
		to: string;
		problem: DoorProblem | null;
		/** Whose code was tried. */
		tried: string | null;
	}
	let { hands, to, problem, tried }: Props = $props();
	const room = useRoom();
	/** What a tap without a server could not do. */
	let untaken = $state('');
	const NOBODY = $derived<Hand>({ id: '', name: hands.tablet, role: 'screen' });
	/** Where the server is away, whoever is known here takes it up all the same, and it hears of it later. */
	const takenUp =
		(hand: Hand): SubmitFunction =>
		() =>
		async ({ result, update }) => {
			if (result.type !== 'error' || !room.hands) return update();
			room.hands.take(hand);
			// A kept page bears the question of an earlier visit; this one has its own.
			const back = page.url.searchParams.get('to') ?? '/';
			location.assign(/^\/(?!\/)/.test(back) ? back : '/');
		};
	let asked: string | null = $derived(problem ? tried : null);
	let code = $state('');
	const person = $derived(hands.people.find(({ id }) => id === asked) ?? null);
	const actor = $derived(room.bakery.actor);
	const isIn = $derived(
		actor.role === 'screen' ? null : (hands.people.find(({ id }) => id === actor.id) ?? null)
	);
	function ask(id: string) {
		asked = id;
		code = '';
	}
</script>

<RoomHeading
	sentence={isIn
		? `${hands.tablet} is in ${isIn.name}’s hands.`
		: `Whose hands is ${hands.tablet} in?`}
	note="What is tapped here carries this name. A name whose code was typed here today takes over with one tap."
/>
<div class="hands" data-hands>
	<ul>
		{#each hands.people as one (one.id)}
			<li>
				{#if one.isKnown}
					<form method="POST" use:enhance={takenUp(one)}>
						<input type="hidden" name="to" value={to} />
						<input type="hidden" name="person" value={one.id} />
						<button class="who" class:is-in={one === isIn}>{one.name}</button>
					</form>
				{:else}
					<button class="who" class:is-in={asked === one.id} onclick={() => ask(one.id)}
						>{one.name}<small>by code</small></button
					>
				{/if}
			</li>
		{/each}
		<li>
			<form method="POST" use:enhance={takenUp(NOBODY)}>
				<input type="hidden" name="to" value={to} />
				<input type="hidden" name="person" value="" />
				<button class="who nobody">Nobody: back on the shelf</button>
			</form>
		</li>
		{#if hands.without.length > 0}
			<li class="text-ink-2">
				No code yet, to be chosen at a desk under one’s own name: {hands.without.join(', ')}.
			</li>
		{/if}
	</ul>
	{#if person}
		<form
			class="pad"
			method="POST"
			aria-label="Code of {person.name}"
			use:enhance={() =>
				async ({ result, update }) => {
					code = '';
					untaken =
						result.type === 'error'
							? 'Jovet does not answer, and a code is compared there. Whoever was at this tablet before takes it up with one tap.'
							: '';
					if (result.type !== 'error') await update({ reset: false });
				}}
		>
			<p class="text-title font-bold">{person.name}</p>
			<input type="hidden" name="to" value={to} />
			<input type="hidden" name="person" value={person.id} />
			<input
				class="field"
				name="code"
				type="password"
				inputmode="numeric"
				autocomplete="off"
				aria-label="Code of {person.name}"
				maxlength={8}
				bind:value={code}
			/>
			<NumberPad
				label="Digits of the code"
				whole
				value={code}
				onChange={(value: string) => (code = value)}
			/>
			{#if problem && tried === person.id}
				<p role="alert"><span class="act-now px-2">Check</span> {doorProblemText(problem)}</p>
			{/if}
			{#if untaken}<p role="alert"><span class="act-now px-2">Check</span> {untaken}</p>{/if}
			<button class="action big" disabled={code.length < 4}>Take it up</button>
		</form>
	{/if}
</div>
<div class="px-5 pb-3"><NightKept /></div>
<p class="px-5 pb-5"><a href={resolve('/')}>Back to the bench as it is</a></p>

<style>
	.hands {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 20px;
		align-items: start;
		padding: 0 20px 20px;
	}
	ul {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
		gap: 10px;
	}
	.who {
		display: grid;
		place-items: center;
		width: 100%;
		min-height: 84px;
		padding: 8px 14px;
		background: var(--sheet);
		border: 2px solid var(--ink);
		font-size: 24px;
		font-weight: 700;
		cursor: pointer;
	}
	.who small {
		font-size: 15px;
		font-weight: 400;
	}
	.who.is-in {
		background: var(--ink);
		color: var(--sheet);
	}
	.nobody {
		font-size: 19px;
		border-color: var(--line);
	}
	.pad {
		display: grid;
		gap: 8px;
		padding: 14px;
		background: var(--sheet);
		border: 2px solid var(--ink);
	}
	.pad input:not([type='hidden']) {
		min-height: 56px;
		font-size: 34px;
		width: 228px;
		letter-spacing: 0.3em;
	}
	.big {
		min-height: 64px;
		font-size: 19px;
	}
	@media (max-width: 700px) {
		.hands {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
