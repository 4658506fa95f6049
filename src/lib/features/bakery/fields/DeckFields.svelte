<script lang="ts">
	import {
		DECK_KINDS,
		piecesOn,
		USUAL_REHEAT_MINUTES,
		type Deck,
		type DeckKind,
		type OvenPiece
	} from '../../../core/bakery/index.ts';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import TextField from '../../../fields/TextField.svelte';
	import Choice from '../../../ui/Choice.svelte';
	import { DECK_KIND_TEXT } from '../../../wording/entry-text.ts';
	import DeckDrawing from './DeckDrawing.svelte';
	import Figure from './Figure.svelte';

	interface Props {
		deck: Deck;
		/** What can be laid out on it. */
		pieces: readonly (OvenPiece & { readonly id: string; readonly name: string })[];
		onSet: (deck: Deck) => void;
		onRemove: () => void;
	}
	let { deck, pieces, onSet, onRemove }: Props = $props();
	const set = (change: Partial<Deck>) => onSet({ ...deck, ...change });
	const kinds = DECK_KINDS.map((kind) => ({ value: kind, label: DECK_KIND_TEXT[kind] }));
	const COUNTED = { sole: '', rack: 'Shelves', pots: 'Pots' } as const;
	let shown = $state('');
	const piece = $derived(pieces.find(({ id }) => id === shown) ?? pieces[0]);
</script>

<section class="deck" aria-label={deck.name} data-deck={deck.name}>
	<div class="flex flex-wrap items-center gap-2">
		<TextField
			bare
			label="Name of {deck.name}"
			value={deck.name}
			most={100}
			onSet={(name: string) => set({ name: name.trim() })}
		/>
		<span class="w-44"
			><Choice
				label="Kind of {deck.name}"
				options={kinds}
				value={deck.kind}
				onSet={(kind: string) =>
					set({
						kind: kind as DeckKind,
						count: kind === 'sole' ? 1 : deck.count,
						reheatMinutes: kind === 'pots' ? USUAL_REHEAT_MINUTES : 0
					})}
			/></span
		>
		<button
			type="button"
			class="action-small ml-auto"
			aria-label="Remove {deck.name}"
			onclick={onRemove}>Remove</button
		>
	</div>
	<div class="columns">
		<div>
			{#if deck.kind !== 'sole'}
				<Figure
					of="deckCount"
					label={COUNTED[deck.kind]}
					value={deck.count}
					onSet={(count: number) => set({ count })}
				/>
			{/if}
			{#if deck.kind === 'pots'}
				<Figure
					of="reheatMinutes"
					value={deck.reheatMinutes}
					unit="min"
					onSet={(reheatMinutes: number) => set({ reheatMinutes })}
				/>
			{/if}
			<Figure
				of="deckLengthCm"
				value={deck.lengthCm}
				unit="cm"
				onSet={(lengthCm: number) => set({ lengthCm })}
			/>
			<Figure
				of="deckWidthCm"
				value={deck.widthCm}
				unit="cm"
				onSet={(widthCm: number) => set({ widthCm })}
			/>
			<Figure
				of="deckHeightCm"
				value={deck.heightCm}
				unit="cm"
				onSet={(heightCm: number) => set({ heightCm })}
				onClear={() => set({ heightCm: null })}
			/>
			<SwitchField
				label="Gives steam"
				checked={deck.steam}
				onSet={(steam: boolean) => set({ steam })}
			/>
			<SwitchField
				label="Has a stone"
				checked={deck.stone}
				onSet={(stone: boolean) => set({ stone })}
			/>
			<TextField
				label="Where it bakes hotter"
				value={deck.hotSpots}
				most={500}
				placeholder="back left"
				onSet={(hotSpots: string) => set({ hotSpots })}
			/>
		</div>
		{#if piece}
			<div>
				<Choice
					label="What lies on {deck.name}"
					options={pieces.map(({ id, name }) => ({ value: id, label: name }))}
					value={piece.id}
					onSet={(id: string) => (shown = id)}
				/>
				<DeckDrawing {deck} {piece} />
				<p data-pieces>
					<b>{piecesOn(deck, piece)}</b> at once{piece.piecesPerDeck === null
						? ', worked out from its size.'
						: `, as its page sets it for every deck. By its size ${piecesOn(deck, { ...piece, piecesPerDeck: null })} fit.`}
				</p>
			</div>
		{/if}
	</div>
</section>

<style>
	.deck {
		border-top: 2px solid var(--ink);
		padding: 10px 0;
	}
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(240px, 100%), 1fr));
		gap: 8px 24px;
		align-items: start;
	}
</style>
