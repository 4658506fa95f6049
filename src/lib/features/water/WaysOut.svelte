<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { wayOutText, waysOf, type Missing, type Way } from './ways-out-text.ts';

	interface Props {
		of: Missing;
		/** What is mixed on which date, so that the choice is found again. */
		key: string;
	}
	let { of, key }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const ways = $derived(waysOf(of));
	const id = $props.id();
	/** The choice is the bench's own: it is kept where it was made. */
	const place = $derived(`jovet:way-out:${key}`);
	let chosen: Way['kind'] | null = $state(null);
	let name = $state('');
	$effect(() => {
		const stored = localStorage.getItem(place)?.split('|');
		chosen = (stored?.[0] as Way['kind'] | undefined) ?? null;
		name = stored?.[1] ?? '';
	});
	const nameOf = (way: Way) => (way.kind === 'part' ? way.name : '');
	function choose(way: Way) {
		chosen = way.kind;
		name = nameOf(way);
		localStorage.setItem(place, `${way.kind}|${name}`);
	}
	const isChosen = (way: Way) => way.kind === chosen && nameOf(way) === name;
</script>

{#if ways.length > 0}
	<fieldset class="my-2" data-ways-out>
		<legend class="font-bold">What would reach it, each alone: choose one</legend>
		{#each ways as way, at (at)}
			<label class="way" class:font-bold={isChosen(way)}>
				<input type="radio" name="{id}-way" checked={isChosen(way)} onchange={() => choose(way)} />
				<span>{wayOutText(way, of, units)}</span>
			</label>
		{/each}
	</fieldset>
{/if}

<style>
	.way {
		display: flex;
		align-items: center;
		gap: 10px;
		min-height: 40px;
		border-top: 1px solid var(--line);
		cursor: pointer;
	}
	@media (pointer: coarse) {
		.way {
			min-height: 56px;
		}
	}
</style>
