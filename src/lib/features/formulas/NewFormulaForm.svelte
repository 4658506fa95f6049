<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import StarterList from './StarterList.svelte';
	import { Sending } from '../../client/sending.svelte.ts';

	interface Props {
		date: string;
	}
	let { date }: Props = $props();
	const room = useRoom();
	let name = $state('');
	const sending = new Sending(room.retries);
	/** One identity for one beginning, so that asking twice makes one. */
	const formulaId = crypto.randomUUID();

	async function make(event: SubmitEvent) {
		event.preventDefault();
		if (name.trim() === '') {
			sending.message = 'A formula needs a name.';
			return;
		}
		await sending.send(
			{
				kind: 'create-formula',
				occurredAtMs: Math.round(room.now.epochMs),
				formulaId,
				name
			},
			async ({ outcome }) => {
				if (outcome === 'done') await goto(resolve(`/bake/${date}/formulas/${formulaId}`));
			}
		);
	}
</script>

<form class="mt-3 grid gap-2" onsubmit={make}>
	<label>
		<span class="block font-bold">New formula</span>
		<input
			name="name"
			class="field w-full"
			bind:value={name}
			maxlength="200"
			placeholder="its name"
		/>
	</label>
	<button class="action-lesser" disabled={sending.busy}>Begin it</button>
	{#if sending.message}<p role="alert">{sending.message}</p>{/if}
</form>
<details>
	<summary class="min-h-11 cursor-pointer py-2">or from a plain one</summary>
	<StarterList {date} />
</details>
