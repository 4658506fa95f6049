<script lang="ts">
	import { enhance } from '$app/forms';
	import { useRoom } from '../../client/room-context.ts';
	import type { DoorsView } from '../../contracts/door-views.ts';
	import type { EntryKind } from '../../core/bakery/index.ts';
	import { STATIONS } from '../../core/planning/index.ts';
	import { STATION_TEXT } from '../../wording/bench-text.ts';
	import { DOOR_ACT_TEXT, SESSION_KIND_TEXT } from '../../wording/door-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import BakeryPage from './BakeryPage.svelte';
	import KeptOfPeople from './KeptOfPeople.svelte';

	interface Props {
		/** Of the certificate that this bakery made for its network; null where it made none. */
		fingerprint: string | null;
		date: string;
		doors: DoorsView;
		counts: Readonly<Record<EntryKind, number>>;
		/** What was made just now, and is shown this once. */
		made:
			| { readonly kind: 'key'; readonly name: string; readonly address: string }
			| {
					readonly kind: 'code';
					readonly name: string;
					readonly code: string;
					readonly address: string;
					readonly picture: string;
			  }
			| { readonly kind: 'calendars' }
			| null;
	}
	let { fingerprint, date, doors, counts, made }: Props = $props();
	const room = useRoom();
	const zone = $derived(room.bakery.timeZone);
	const shut = $derived(doors.people.filter(({ hasPassword }) => !hasPassword).length);
	const sentence = $derived(
		shut === 0
			? 'Everybody who works here can sign in.'
			: `${shut === 1 ? 'One person has' : `${shut} people have`} no password yet.`
	);
	const id = $props.id();
	/** It stands above what it was asked for by, and is shown only once: it is brought into sight. */
	const shown = (node: HTMLElement) => node.scrollIntoView({ block: 'center' });
</script>

<BakeryPage
	{date}
	{counts}
	current="doors"
	{sentence}
	note="Who comes in with what, where somebody is signed in, and what happened at the doors."
>
	<div class="grid gap-4">
		{#key made}
			{#if made?.kind === 'key'}
				<section class="made card" role="status" data-made-key {@attach shown}>
					<h2>A key for {made.name}, shown this once</h2>
					<p>At this address {made.name} chooses a password, once and within a day:</p>
					<p class="my-2"><code>{made.address}</code></p>
					<p class="text-ink-2">
						Whoever has it can sign in as {made.name}: hand it to nobody else. A key made before
						opens nothing any more.
					</p>
				</section>
			{:else if made?.kind === 'code'}
				<section
					class="made flex flex-wrap gap-6 card"
					role="status"
					data-made-code
					{@attach shown}
				>
					<img
						src={made.picture}
						alt="The address {made.address} to scan"
						width="280"
						height="280"
					/>
					<div class="told">
						<h2>{made.name}: scan this with it, within ten minutes</h2>
						<p class="my-2">Or open <code>{made.address}</code> in it,</p>
						<p>or Jovet’s address with <code>/pair</code> behind it, and type</p>
						<p class="text-figure font-bold" data-pairing-code>{made.code}</p>
						{#if fingerprint}
							<p class="mt-3">
								Its browser does not know this bakery’s certificate yet, and warns. Go on there only
								if the fingerprint it shows for the issuer is
							</p>
							<p class="my-2"><code data-fingerprint>{fingerprint}</code></p>
							<p class="text-ink-2">
								Then keep the certificate from its page (below the code): it warns no more.
							</p>
						{/if}
					</div>
				</section>
			{:else if made?.kind === 'calendars'}
				<section class="made card" role="status" {@attach shown}>
					<h2>The calendars have new addresses</h2>
					<p>Those handed out before open nothing any more; the run sheet has the new ones.</p>
				</section>
			{/if}
		{/key}
		<section class="card" aria-labelledby="{id}-people" data-people-at-the-door>
			<h2 id="{id}-people">People</h2>
			<table>
				<thead
					><tr><th>Name</th><th>Role</th><th>At a desk</th><th>At a tablet</th><td></td></tr></thead
				>
				<tbody>
					{#each doors.people as person (person.id)}
						<tr data-person={person.name}>
							<td>{person.name}</td>
							<td>{person.role.replace('-', ' ')}</td>
							<td>{person.hasPassword ? 'by password' : 'not yet'}</td>
							<td>{person.hasCode ? 'by code' : 'not yet'}</td>
							<td>
								<form method="POST" action="?/key" use:enhance>
									<input type="hidden" name="person" value={person.id} />
									<button class="action-small"
										>{person.hasPassword ? 'A new password' : 'Let in'}<span class="sr-only"
											>: {person.name}</span
										></button
									>
								</form>
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
			<p class="mt-2 text-ink-2">
				A password or a code is chosen by its owner alone, on the page behind their own name.
				Somebody who is retired on the page People is out from that day on.
			</p>
		</section>
		<section class="card" aria-labelledby="{id}-pair">
			<h2 id="{id}-pair">Pair a tablet or a wall screen</h2>
			<form class="pair" method="POST" action="?/pair" aria-label="Pair a screen" use:enhance>
				<label for="{id}-name">What it is called</label>
				<input
					id="{id}-name"
					class="field"
					name="name"
					maxlength="60"
					autocomplete="off"
					required
				/>
				<fieldset>
					<legend class="sr-only">What it is</legend>
					<label
						><input type="radio" name="kind" value="tablet" checked /> a tablet that goes from hand to
						hand</label
					>
					<label
						><input type="radio" name="kind" value="wall" /> a wall screen that only shows</label
					>
				</fieldset>
				<fieldset>
					<legend>It opens with</legend>
					<label><input type="radio" name="opens" value="" checked /> all of the bench</label>
					{#each STATIONS as station (station)}
						<label
							><input type="radio" name="opens" value={station} /> {STATION_TEXT[station]}</label
						>
					{/each}
				</fieldset>
				<p><button class="action">Make its code</button></p>
			</form>
		</section>
		<section class="card" aria-labelledby="{id}-sessions" data-sessions>
			<h2 id="{id}-sessions">Signed in</h2>
			<table>
				<thead><tr><th>Who</th><th>Where</th><th>Since</th><th>Last used</th><td></td></tr></thead>
				<tbody>
					{#each doors.sessions as session (session.id)}
						<tr data-session={session.name}>
							<td>{session.personName || 'nobody'}</td>
							<td
								>{session.name}
								<span class="text-ink-2">({SESSION_KIND_TEXT[session.kind]})</span></td
							>
							<td>{momentText(session.begunAtMs, doors.nowMs, zone)}</td>
							<td>{momentText(session.seenAtMs, doors.nowMs, zone)}</td>
							<td>
								{#if session.isThis}here{:else}
									<form method="POST" action="?/end" use:enhance>
										<input type="hidden" name="session" value={session.id} />
										<button class="action-small"
											>End it<span class="sr-only">: {session.personName} {session.name}</span
											></button
										>
									</form>
								{/if}
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</section>
		<section class="card" aria-labelledby="{id}-kept">
			<h2 id="{id}-kept">What is kept of people</h2>
			<KeptOfPeople {date} people={doors.people} left={doors.left} />
		</section>
		<section class="card" aria-labelledby="{id}-calendars">
			<h2 id="{id}-calendars">Calendars that are subscribed to</h2>
			<p class="my-2">
				Each has an address with a key in it. If one came into wrong hands, give all of them new
				ones.
			</p>
			<form method="POST" action="?/calendars" use:enhance>
				<button class="action-lesser">New addresses for all calendars</button>
			</form>
		</section>
		<section class="card" aria-labelledby="{id}-entries" data-door-entries>
			<h2 id="{id}-entries">What happened at the doors</h2>
			<ul>
				{#each doors.entries as entry (entry.id)}
					<li>
						<span class="text-ink-2">{momentText(entry.atMs, doors.nowMs, zone)}</span>
						<b>{entry.person}</b>
						{DOOR_ACT_TEXT[entry.act]}{entry.by === '' ? '' : ` by ${entry.by}`}{entry.about === ''
							? ''
							: `: ${entry.about}`}
					</li>
				{:else}
					<li>Nothing yet.</li>
				{/each}
			</ul>
		</section>
	</div>
</BakeryPage>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
		overflow-x: auto;
	}
	.made {
		border: 2px solid var(--ink);
	}
	h2 {
		font-size: 19px;
		font-weight: 700;
	}
	table {
		border-collapse: collapse;
	}
	th,
	td {
		padding: 5px 18px 5px 0;
		text-align: left;
	}
	.pair {
		display: grid;
		gap: 8px;
		justify-items: start;
	}
	.pair .field {
		width: min(100%, 22rem);
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 18px;
	}
	code {
		overflow-wrap: anywhere;
	}
	.told {
		flex: 1 1 320px;
		min-width: 0;
	}
	img {
		border: 1px solid var(--line);
	}
</style>
