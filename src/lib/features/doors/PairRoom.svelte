<script lang="ts">
	import type { DoorProblem } from '../../contracts/door-views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import DoorForm from './DoorForm.svelte';

	interface Props {
		code: string;
		problem: DoorProblem | null;
	}
	let { code, problem }: Props = $props();
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
