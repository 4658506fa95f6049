<script lang="ts">
	import type { ToldResults } from '../client/told-results.svelte.ts';
	import { batchKey } from '../core/planning/index.ts';
	import {
		BROWNINGS,
		SOUNDS,
		type Browning,
		type PortionRef,
		type Sound
	} from '../core/results/index.ts';
	import { BROWNING_TEXT, SOUND_TEXT } from '../wording/result-text.ts';

	interface Props {
		name: string;
		portion: PortionRef;
		results: ToldResults;
	}
	let { name, portion, results }: Props = $props();
	const told = $derived(
		results.all.flatMap(({ portion: of, told }) =>
			told.kind === 'drawn' &&
			batchKey({ kind: 'portion', ...of }) === batchKey({ kind: 'portion', ...portion })
				? [told]
				: []
		)
	);
	const browning = $derived(told.findLast((one) => one.browning !== null)?.browning ?? null);
	const sound = $derived(told.findLast((one) => one.sound !== null)?.sound ?? null);

	/** One tap tells it. */
	function tell(one: { readonly browning: Browning | null; readonly sound: Sound | null }) {
		void results.tell(portion, { kind: 'drawn', ...one }, `${name}: as it was drawn`);
	}
</script>

<div class="drawn" data-drawn={name}>
	<div role="group" aria-label="Crust">
		<span>Crust</span>
		{#each BROWNINGS as one (one)}
			<button
				type="button"
				class={browning === one ? 'action' : 'action-lesser'}
				aria-pressed={browning === one}
				onclick={() => browning === one || tell({ browning: one, sound: null })}
				>{BROWNING_TEXT[one]}</button
			>
		{/each}
	</div>
	<div role="group" aria-label="Knocked from below it sounds">
		<span>Sounds</span>
		{#each SOUNDS as one (one)}
			<button
				type="button"
				class={sound === one ? 'action' : 'action-lesser'}
				aria-pressed={sound === one}
				onclick={() => sound === one || tell({ browning: null, sound: one })}
				>{SOUND_TEXT[one]}</button
			>
		{/each}
	</div>
</div>

<style>
	.drawn {
		display: grid;
		gap: 8px;
		padding-top: 12px;
		font-size: 19px;
	}
	[role='group'] {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px;
	}
	span {
		min-width: 64px;
	}
	button {
		min-height: 56px;
	}
</style>
