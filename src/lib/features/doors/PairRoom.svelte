<script lang="ts">
	import type { DoorProblem } from '../../contracts/door-views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import DoorForm from './DoorForm.svelte';

	interface Props {
		/** It came over HTTPS with a certificate of this bakery's own making. */
		isSecure: boolean;
		code: string;
		problem: DoorProblem | null;
	}
	let { isSecure, code, problem }: Props = $props();
	const id = $props.id();
</script>

<RoomHeading
	sentence="Make this browser a screen of the bench."
	note="The head baker makes the code on the page Bakery, Doors. It works once, within ten minutes."
/>
<section class="pair" data-pair>
	<DoorForm label="Pair this browser" {problem} says="Pair this browser">
		<label for={id}>The code</label>
		<input
			{id}
			class="field code"
			name="code"
			value={code}
			autocomplete="off"
			autocapitalize="characters"
			spellcheck="false"
			maxlength={20}
			required
		/>
	</DoorForm>
</section>
{#if isSecure}
	<p class="px-5 text-ink-2">
		Did this browser warn of the certificate?
		<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- the front door itself gives it: no page of the application -->
		<a href="/certificate.crt" download>Keep this bakery’s certificate</a>, and let the settings of
		this machine trust it for websites: it warns no more.
	</p>
{/if}

<style>
	.pair {
		max-width: 640px;
		margin: 0 20px 20px;
		padding: 18px 22px;
		background: var(--sheet);
		border: 2px solid var(--ink);
	}
	.code {
		min-height: 64px;
		font-size: 34px;
		letter-spacing: 0.15em;
	}
</style>
