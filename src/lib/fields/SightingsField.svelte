<script lang="ts">
	import { SIGHTINGS, type Sighting, type SightingKind } from '../core/fermentation/index.ts';
	import { seenText, SIGHTING_TEXT } from '../wording/readiness-text.ts';

	type Seen = Readonly<Partial<Record<SightingKind, Sighting>>>;
	interface Props {
		/** What is looked for. */
		kinds: readonly SightingKind[];
		seen: Seen;
		onSet: (seen: Seen) => void;
	}
	let { kinds, seen, onSet }: Props = $props();

	const optionsOf = (kind: SightingKind) =>
		SIGHTINGS[kind].map((sign) => ({ kind, seen: sign }) as Sighting);
	function press(sighting: Sighting) {
		const { [sighting.kind]: before, ...others } = seen;
		// Pressed again it was not seen after all.
		onSet(before?.seen === sighting.seen ? others : { ...others, [sighting.kind]: sighting });
	}
</script>

<div class="kinds">
	{#each kinds as kind (kind)}
		<div role="group" aria-label={SIGHTING_TEXT[kind]} class="kind">
			<span class="label">{SIGHTING_TEXT[kind]}</span>
			{#each optionsOf(kind) as option (option.seen)}
				<button
					type="button"
					class="chip"
					aria-pressed={seen[kind]?.seen === option.seen}
					data-seen="{kind}:{option.seen}"
					onclick={() => press(option)}>{seenText(option)}</button
				>
			{/each}
		</div>
	{/each}
</div>

<style>
	.kinds {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(330px, 100%), 1fr));
		gap: 6px 24px;
	}
	.kind {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px;
		padding: 4px 0;
		border-top: 1px solid var(--line);
	}
	.label {
		width: 100%;
		color: var(--ink-2);
	}
	.chip {
		min-height: 56px;
		padding: 4px 12px;
		border: 2px solid var(--edge);
		cursor: pointer;
	}
	.chip[aria-pressed='true'] {
		background: var(--ink);
		border-color: var(--ink);
		color: var(--sheet);
		font-weight: 700;
	}
</style>
