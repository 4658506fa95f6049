<script lang="ts">
	import type { DividerContent } from '../../../core/bakery/index.ts';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'divider'> = $props();
	const set = (change: Partial<DividerContent>) => onSet({ ...content, ...change });
</script>

<Figure of="heads" value={content.heads} onSet={(heads: number) => set({ heads })} />
<Figure
	of="pieceGrams"
	label={ENTRY_FIELD_TEXT.leastPieceGrams}
	value={content.leastPieceGrams}
	unit="g"
	onSet={(leastPieceGrams: number) => set({ leastPieceGrams })}
/>
<Figure
	of="pieceGrams"
	label={ENTRY_FIELD_TEXT.mostPieceGrams}
	value={content.mostPieceGrams}
	unit="g"
	onSet={(mostPieceGrams: number) => set({ mostPieceGrams })}
/>
<p class="mt-3 border-t border-line pt-2 text-note">
	Its guard stays closed while it presses. The maker’s manual and the site’s own rules come first.
</p>
