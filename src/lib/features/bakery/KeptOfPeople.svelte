<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { DoorsView } from '../../contracts/door-views.ts';
	import { Saving } from './saving.svelte.ts';

	interface Somebody {
		readonly id: string;
		readonly name: string;
	}
	interface Props {
		date: string;
		people: readonly Somebody[];
		left: DoorsView['left'];
	}
	let { date, people, left }: Props = $props();
	const room = useRoom();
	const saving = new Saving(room.retries);
	/** It is asked for twice: there is no way back. */
	let asked: string | null = $state(null);

	async function forget({ id, name }: Somebody) {
		asked = null;
		await saving.save(
			{ kind: 'forget-person', occurredAtMs: Math.round(room.now.epochMs), personId: id },
			{ said: `Nothing here names ${name} any more.`, readAnew: 'everything' }
		);
	}
</script>

<p class="my-2">
	Whoever asks what is kept of them is handed a file: who they are here, how they come in, and
	everything they sent. Of somebody who left the name can be taken out; what was done stays in the
	log, as that of somebody who left, so that nights and recalls still read whole. Your local law
	says what has to be kept, and for how long.
</p>
{#if saving.message !== '' || saving.done !== ''}
	<p class="my-2 font-bold" role={saving.message === '' ? 'status' : 'alert'}>
		{saving.message === '' ? saving.done : saving.message}
	</p>
{/if}
<ul data-kept-of-people>
	{#each [...people, ...left] as person (person.id)}
		{@const gone = left.find(({ id }) => id === person.id)}
		<li
			class="flex flex-wrap items-center gap-3 border-t border-line py-1"
			data-kept-of={person.name}
		>
			<span class="min-w-48">{person.name}{gone && !gone.isOut ? ', who left' : ''}</span>
			<a
				class="action-small no-underline!"
				download
				href={resolve(`/bake/${date}/bakery/doors/${person.id}.json`)}
				>Hand out the file<span class="sr-only">: {person.name}</span></a
			>
			{#if gone && !gone.isOut}
				{#if asked === person.id}
					<button class="action" onclick={() => forget(person)}
						>Take {person.name} out for good</button
					>
					<button class="action-lesser" onclick={() => (asked = null)}>Keep it</button>
				{:else}
					<button class="action-small" onclick={() => (asked = person.id)}
						>Take the name out<span class="sr-only">: {person.name}</span></button
					>
				{/if}
			{/if}
		</li>
	{/each}
</ul>
<p class="mt-2 text-ink-2">
	A name that others typed into a note stays there. Backups taken before still have all of it until
	they are gone; so do pages kept on paper.
</p>
