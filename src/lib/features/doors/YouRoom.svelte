<script lang="ts">
	import { onMount } from 'svelte';
	import { enhance } from '$app/forms';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import {
		CODE_LENGTH,
		PASSWORD_LENGTH,
		type DoorProblem,
		type OwnDoorView
	} from '../../contracts/door-views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { SESSION_KIND_TEXT } from '../../wording/door-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import { deskKeeps, setDeskKeeps } from '../../client/desk-keeps.ts';
	import DoorForm from './DoorForm.svelte';
	import NightKept from './NightKept.svelte';
	import SecretField from './SecretField.svelte';

	interface Props {
		own: OwnDoorView;
		told: {
			readonly at: string | null;
			readonly problem: DoorProblem | null;
			readonly done: string | null;
		} | null;
	}
	let { own, told }: Props = $props();
	const room = useRoom();
	const actor = $derived(room.bakery.actor);
	let keeps = $state(false);
	onMount(() => {
		keeps = deskKeeps();
	});
	function chooseKeeps() {
		setDeskKeeps(!keeps);
		// The frame begins with it, or ends it, as the page is opened.
		location.reload();
	}
	const problemAt = (at: string) => (told?.at === at ? told.problem : null);
	const sentence = $derived(
		own.hasPassword
			? `${actor.name}, ${actor.role.replace('-', ' ')}.`
			: `${actor.name}, choose a password, or you cannot sign in again.`
	);
	const DONE: Readonly<Record<string, string>> = {
		password: 'Your new password is kept. Other desks you were signed in at are signed out.',
		code: 'Your new code is kept. Tablets ask for it once.',
		session: 'That session is ended.'
	};
</script>

<RoomHeading
	{sentence}
	note={told?.done ? (DONE[told.done] ?? '') : 'How you come in, and where you are signed in.'}
>
	{#snippet actions()}
		{#if own.hasPassword}
			<a class="action-lesser no-underline!" href={resolve('/')}>Go on to the bakery</a>
		{/if}
		<form method="POST" action="?/out" use:enhance><button class="action">Sign out</button></form>
	{/snippet}
</RoomHeading>
<div class="you" data-you>
	<section aria-labelledby="password">
		<h2 id="password">Your password, for desks</h2>
		<DoorForm
			label="Your password"
			action="password"
			problem={problemAt('password')}
			says={own.hasPassword ? 'Change it' : 'Keep it'}
		>
			{#if own.hasPassword}
				<SecretField label="The password until now" name="old" kind="current-password" />
			{/if}
			<SecretField
				label="Your new password"
				name="wanted"
				kind="new-password"
				note="At least {PASSWORD_LENGTH.least} signs; a few words that do not belong together are better than one."
			/>
		</DoorForm>
	</section>
	<section aria-labelledby="code">
		<h2 id="code">Your code, for tablets at the bench</h2>
		<p class="mb-2 text-ink-2">
			{own.hasCode ? 'You have one. A new one takes its place.' : 'You have none yet.'}
		</p>
		<DoorForm label="Your code" action="code" problem={problemAt('code')} says="Keep this code">
			<SecretField
				label="Your new code"
				name="code"
				kind="code"
				note="{CODE_LENGTH.least} to {CODE_LENGTH.most} digits."
			/>
		</DoorForm>
	</section>
	<section class="wide" aria-labelledby="night">
		<h2 id="night">Without a network</h2>
		<p class="mb-2 max-w-prose text-ink-2">
			Tablets and wall screens keep the pages of the night by themselves, so that the bench goes on
			when the network is away. This desk can do so too: choose it only on a machine of your own,
			for what is kept can be read there without signing in.
		</p>
		<button class="action-lesser" aria-pressed={keeps} onclick={chooseKeeps}
			>{keeps ? 'Keep no nights here any more' : 'Keep the night here'}</button
		>
		{#if keeps}<div class="mt-2"><NightKept /></div>{/if}
	</section>
	<section class="wide" aria-labelledby="sessions">
		<h2 id="sessions">Where you are signed in</h2>
		<table>
			<thead><tr><th>Where</th><th>Since</th><th>Last used</th><td></td></tr></thead>
			<tbody>
				{#each own.sessions as session (session.id)}
					<tr data-session={session.id}>
						<td
							>{session.name}
							<span class="text-ink-2">({SESSION_KIND_TEXT[session.kind]})</span></td
						>
						<td>{momentText(session.begunAtMs, own.nowMs, room.bakery.timeZone)}</td>
						<td>{momentText(session.seenAtMs, own.nowMs, room.bakery.timeZone)}</td>
						<td>
							{#if session.isThis}here{:else}
								<form method="POST" action="?/end" use:enhance>
									<input type="hidden" name="session" value={session.id} />
									<button class="action-small">End it</button>
								</form>
							{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
	<section aria-labelledby="kept">
		<h2 id="kept">What is kept of you</h2>
		<p class="mb-2">
			Who you are here, how you come in, and everything you sent, as one file. The head baker can
			take your name out once you have left.
		</p>
		<a class="action-lesser no-underline!" download href={resolve('/you/kept-of-me.json')}
			>Take the file</a
		>
	</section>
</div>

<style>
	.you {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
		gap: 16px;
		align-items: start;
		max-width: 1180px;
		padding: 0 20px 20px;
	}
	section {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	.wide {
		grid-column: 1 / -1;
		overflow-x: auto;
	}
	h2 {
		margin-bottom: 8px;
		font-size: 19px;
		font-weight: 700;
	}
	table {
		border-collapse: collapse;
	}
	th,
	td {
		padding: 6px 16px 6px 0;
		text-align: left;
	}
	@media (max-width: 600px) {
		.you {
			grid-template-columns: minmax(0, 1fr);
			padding: 0 8px 20px;
		}
	}
</style>
