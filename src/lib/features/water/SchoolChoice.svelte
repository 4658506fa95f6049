<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { WATER_SCHOOLS, type WaterSchool } from '../../core/heat/index.ts';
	import { SCHOOL_TEXT } from '../../wording/school-names.ts';

	interface Props {
		school: WaterSchool;
		countsSoakers: boolean;
	}
	let { school, countsSoakers }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);

	async function choose(chosen: WaterSchool, counts = countsSoakers) {
		await sending.send(
			{
				kind: 'set-water-school',
				occurredAtMs: Math.round(room.now.epochMs),
				school: chosen,
				countsSoakers: counts
			},
			async ({ outcome }) => {
				if (outcome === 'done') await readAnew('jovet:day');
			}
		);
	}
</script>

<fieldset class="border-b border-line py-3">
	<legend class="font-bold">Water by the</legend>
	{#each WATER_SCHOOLS as choice (choice)}
		<label class="flex min-h-11 items-center gap-2">
			<input
				type="radio"
				name="school"
				value={choice}
				checked={choice === school}
				onchange={() => choose(choice)}
			/>
			{SCHOOL_TEXT[choice].toLowerCase()}
		</label>
	{/each}
	<label class="flex min-h-11 items-center gap-2">
		<input
			name="countsSoakers"
			type="checkbox"
			checked={countsSoakers}
			onchange={(event) => choose(school, event.currentTarget.checked)}
		/>
		the factor rule counts the soaker too
	</label>
	{#if sending.message}<p role="alert" class="font-bold">{sending.message}</p>{/if}
</fieldset>
