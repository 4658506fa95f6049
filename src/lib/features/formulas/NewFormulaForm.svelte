<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { sendCommand } from '../../client/send-command.ts';
	import { refusalText } from '../../wording/refusal-text.ts';

	interface Props {
		date: string;
	}
	let { date }: Props = $props();
	const room = useRoom();
	let name = $state('');
	let message = $state('');
	let busy = $state(false);

	async function make(event: SubmitEvent) {
		event.preventDefault();
		if (name.trim() === '') {
			message = 'A formula needs a name.';
			return;
		}
		busy = true;
		const formulaId = crypto.randomUUID();
		const result = await sendCommand({
			kind: 'create-formula',
			occurredAtMs: Math.round(room.now.epochMs),
			formulaId,
			name
		});
		busy = false;
		if (result.outcome === 'done') await goto(resolve(`/bake/${date}/formulas/${formulaId}`));
		else
			message =
				result.outcome === 'refused'
					? refusalText(result.refusal)
					: 'Not made: Jovet does not answer. Try again in a moment.';
	}
</script>

<form class="mt-3 grid gap-2" onsubmit={make}>
	<label>
		<span class="block font-bold">New formula</span>
		<input class="field w-full" bind:value={name} maxlength="200" placeholder="its name" />
	</label>
	<button class="action-lesser" disabled={busy}>Begin it</button>
	{#if message}<p role="alert">{message}</p>{/if}
</form>
