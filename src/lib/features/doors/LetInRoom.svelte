<script lang="ts">
	import { resolve } from '$app/paths';
	import { PASSWORD_LENGTH, type DoorProblem } from '../../contracts/door-views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import DoorForm from './DoorForm.svelte';
	import SecretField from './SecretField.svelte';

	interface Props {
		/** Whose key it is; empty where it opens nothing. */
		owner: string;
		problem: DoorProblem | null;
	}
	let { owner, problem }: Props = $props();
</script>

{#if owner === ''}
	<RoomHeading
		sentence="This key opens nothing any more."
		note="It was used, a newer one was made, or it is older than a day. The head baker makes another on the page Bakery, Doors."
	/>
	<p class="px-5"><a class="action no-underline!" href={resolve('/sign-in')}>Sign in</a></p>
{:else}
	<RoomHeading
		sentence="{owner}, choose your password."
		note="You are signed in with it, and everywhere else you were is signed out."
	/>
	<section class="door-sheet">
		<DoorForm label="Choose your password" {problem} says="Keep it and sign in">
			<input type="hidden" name="username" value={owner} autocomplete="username" />
			<SecretField
				label="Your new password"
				name="wanted"
				kind="new-password"
				note="At least {PASSWORD_LENGTH.least} signs; a few words that do not belong together are better than one."
			/>
		</DoorForm>
	</section>
{/if}

<style>
	.door-sheet {
		max-width: 640px;
		margin: 0 20px 20px;
		padding: 18px 22px;
		background: var(--sheet);
		border: 2px solid var(--ink);
	}
</style>
