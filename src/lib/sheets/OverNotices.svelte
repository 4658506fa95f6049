<script lang="ts">
	import type { OverView } from '../contracts/views.ts';
	import { useRoom } from '../client/room-context.ts';
	import { overText } from '../wording/over-text.ts';

	interface Props {
		/** What was made and is not wanted any more: no alarm, but something to know. */
		over: readonly OverView[];
	}
	let { over }: Props = $props();
	const room = useRoom();
</script>

{#if over.length > 0}
	<ul class="mx-5 mb-3 border-l-4 border-ink bg-sheet px-4 py-2" role="status" data-over>
		{#each over as stands (`${stands.name} ${stands.ordinal}`)}
			<li>{overText(stands, room.bakery.units)}</li>
		{/each}
	</ul>
{/if}
