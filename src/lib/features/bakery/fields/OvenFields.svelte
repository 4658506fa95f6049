<script lang="ts">
	import { FIRST_DECK, type Deck, type OvenContent } from '../../../core/bakery/index.ts';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import DeckFields from './DeckFields.svelte';
	import Figure from './Figure.svelte';

	let { content, view, onSet }: FieldsProps<'oven'> = $props();
	const set = (change: Partial<OvenContent>) => onSet({ ...content, ...change });
	const setDeck = (at: number, deck: Deck) =>
		set({ decks: content.decks.map((other, index) => (index === at ? deck : other)) });

	/** One like the last, under the next number. */
	function addDeck() {
		const last = content.decks.at(-1) ?? FIRST_DECK;
		const taken = new Set(content.decks.map(({ name }) => name));
		let number = content.decks.length + 1;
		while (taken.has(`Deck ${number}`)) number += 1;
		set({
			decks: [...content.decks, { ...last, id: crypto.randomUUID(), name: `Deck ${number}` }]
		});
	}
	const SWITCHES = ['sharesHeat', 'topAndBottom', 'fan', 'loader', 'switchOnTimer'] as const;
</script>

{#each content.decks as deck, at (deck.id)}
	<DeckFields
		{deck}
		pieces={view.pieces}
		onSet={(next: Deck) => setDeck(at, next)}
		onRemove={() => set({ decks: content.decks.filter((_, index) => index !== at) })}
	/>
{:else}
	<p>It has no deck yet: nothing can be loaded.</p>
{/each}
<p class="my-2">
	<button type="button" class="action-lesser" onclick={addDeck}>Add a deck</button>
</p>
<h3 class="mt-3">The oven</h3>
{#each SWITCHES as field (field)}
	<SwitchField
		label={ENTRY_FIELD_TEXT[field]}
		checked={content[field]}
		onSet={(checked: boolean) => set({ [field]: checked })}
	/>
{/each}
{#if !content.loader}
	<Figure
		of="handLoadingMinutes"
		value={content.handLoadingMinutes}
		unit="min"
		onSet={(handLoadingMinutes: number) => set({ handLoadingMinutes })}
	/>
{/if}
<Figure
	of="preheatMinutes"
	value={content.preheatMinutes}
	unit="min"
	onSet={(preheatMinutes: number) => set({ preheatMinutes })}
/>
<Figure
	of="recoveryMinutes"
	value={content.recoveryMinutes}
	unit="min"
	onSet={(recoveryMinutes: number) => set({ recoveryMinutes })}
/>
<Figure
	of="minutesPerTenKelvin"
	label={ENTRY_FIELD_TEXT.heatMinutesPerTenKelvin}
	value={content.heatMinutesPerTenKelvin}
	unit="min"
	onSet={(heatMinutesPerTenKelvin: number) => set({ heatMinutesPerTenKelvin })}
/>
<Figure
	of="minutesPerTenKelvin"
	label={ENTRY_FIELD_TEXT.coolMinutesPerTenKelvin}
	value={content.coolMinutesPerTenKelvin}
	unit="min"
	onSet={(coolMinutesPerTenKelvin: number) => set({ coolMinutesPerTenKelvin })}
/>
<p class="mt-3 border-t border-line pt-2 text-note">
	Hot decks, steam and lidded pots burn: stand aside when the door opens. The maker’s manual and the
	site’s own rules come first.
</p>
