<script lang="ts">
	import { readAnew } from '../../../client/read-anew.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import { sendCommand } from '../../../client/send-command.ts';
	import type { CommandOf } from '../../../contracts/commands.ts';
	import { refusalText } from '../../../wording/refusal-text.ts';

	interface Props {
		what: CommandOf<'retire'>['what'];
		entityId: string;
		name: string;
		retired: boolean;
	}
	let { what, entityId, name, retired }: Props = $props();
	const room = useRoom();
	let message = $state('');

	async function change() {
		const result = await sendCommand({
			kind: 'retire',
			occurredAtMs: Math.round(room.now.epochMs),
			what,
			entityId,
			retired: !retired
		});
		if (result.outcome === 'done') await readAnew('jovet:day');
		else
			message =
				result.outcome === 'refused'
					? refusalText(result.refusal)
					: 'Not changed: Jovet does not answer. Try again in a moment.';
	}
</script>

<p class="mt-4 print:hidden" data-retire>
	{#if retired}<b>Retired.</b>
		What has {name} in it goes on; it is not offered for new work.{:else}Retiring takes {name} out of
		the choices for new work. Nothing that has it changes, and it can come back.{/if}
	<button class="action-lesser ml-2" onclick={change}
		>{retired ? `Bring ${name} back` : `Retire ${name}`}</button
	>
	{#if message}<span role="alert" class="font-bold">{message}</span>{/if}
</p>
