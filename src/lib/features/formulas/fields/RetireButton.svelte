<script lang="ts">
	import { readAnew } from '../../../client/read-anew.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import { Sending } from '../../../client/sending.svelte.ts';
	import type { CommandOf } from '../../../contracts/commands.ts';

	interface Props {
		what: CommandOf<'retire'>['what'];
		entityId: string;
		name: string;
		retired: boolean;
	}
	let { what, entityId, name, retired }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);

	async function change() {
		await sending.send(
			{
				kind: 'retire',
				occurredAtMs: Math.round(room.now.epochMs),
				what,
				entityId,
				retired: !retired
			},
			async ({ outcome }) => {
				if (outcome === 'done') await readAnew('jovet:day');
			}
		);
	}
</script>

<p class="mt-4 print:hidden" data-retire>
	{#if retired}<b>Retired.</b>
		What has {name} in it goes on; it is not offered for new work.{:else}Retiring takes {name} out of
		the choices for new work. Nothing that has it changes, and it can come back.{/if}
	<button class="action-lesser ml-2" disabled={sending.busy} onclick={change}
		>{retired ? `Bring ${name} back` : `Retire ${name}`}</button
	>
	{#if sending.message}<span role="alert" class="font-bold">{sending.message}</span>{/if}
</p>
