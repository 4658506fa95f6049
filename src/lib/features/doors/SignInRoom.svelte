<script lang="ts">
	import { enhance } from '$app/forms';
	import type { DoorProblem } from '../../contracts/door-views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import DoorForm from './DoorForm.svelte';
	import SecretField from './SecretField.svelte';

	interface Props {
		/** Where it goes on to. */
		to: string;
		/** The demo's people and what they all come in with; null in a bakery of one's own. */
		demo: {
			readonly password: string;
			readonly people: readonly {
				readonly name: string;
				readonly role: string;
				readonly code: string;
			}[];
		} | null;
		problem: DoorProblem | null;
		name: string;
	}
	let { to, demo, problem, name }: Props = $props();
</script>

<RoomHeading
	sentence="Who is at this desk?"
	note="What is written down here carries the name of who is signed in."
/>
<div class="sign-in" data-sign-in>
	<section class="sheet" aria-labelledby="sign-in">
		<h2 id="sign-in">Sign in</h2>
		<DoorForm label="Sign in" {problem} says="Sign in">
			<input type="hidden" name="to" value={to} />
			<SecretField label="Your name" name="name" kind="name" value={name} />
			<SecretField label="Your password" name="password" kind="current-password" />
		</DoorForm>
		<p class="mt-4 text-ink-2">
			Forgotten? The head baker gives you a new key on the page Bakery, Doors. A head baker who
			cannot come in asks whoever runs this machine: <code>npm run let-in</code> there makes one.
		</p>
	</section>
	{#if demo}
		<section class="sheet" aria-labelledby="demo-people" data-demo-people>
			<h2 id="demo-people">This is the demo</h2>
			<p class="my-2">
				Its people are made up and all have the password <b>{demo.password}</b>. One tap signs in:
			</p>
			<ul>
				{#each demo.people as person (person.name)}
					<li>
						<form method="POST" use:enhance>
							<input type="hidden" name="to" value={to} />
							<input type="hidden" name="name" value={person.name} />
							<input type="hidden" name="password" value={demo.password} />
							<button class="action-lesser">Sign in as {person.name}</button>
						</form>
						<span class="text-ink-2"
							>{person.role.replace('-', ' ')}, code {person.code} at a tablet</span
						>
					</li>
				{/each}
			</ul>
		</section>
	{/if}
</div>

<style>
	.sign-in {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
		gap: 16px;
		align-items: start;
		max-width: 1180px;
		padding: 0 20px 20px;
	}
	.sheet {
		padding: 18px 22px;
		background: var(--sheet);
		border: 2px solid var(--ink);
	}
	h2 {
		margin-bottom: 8px;
		font-size: 19px;
		font-weight: 700;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 14px;
		padding: 4px 0;
	}
	@media (max-width: 600px) {
		.sign-in {
			grid-template-columns: minmax(0, 1fr);
			padding: 0 8px 20px;
		}
	}
</style>
