<script lang="ts">
	import { VESSEL_USES, type VesselContent, type VesselUse } from '../../../core/bakery/index.ts';
	import ChoiceField from '../../../fields/ChoiceField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import { VESSEL_USE_TEXT } from '../../../wording/entry-text.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'vessel'> = $props();
	const set = (change: Partial<VesselContent>) => onSet({ ...content, ...change });
	const uses = VESSEL_USES.map((use) => ({ value: use, label: VESSEL_USE_TEXT[use] }));
</script>

<ChoiceField
	label={ENTRY_FIELD_TEXT.use}
	options={uses}
	value={content.use}
	onSet={(use: string) => set({ use: use as VesselUse })}
/>
<Figure of="owned" value={content.owned} onSet={(owned: number) => set({ owned })} />
<Figure
	of="holds"
	value={content.holds}
	unit={content.use === 'rack' ? 'trays' : 'pieces'}
	onSet={(holds: number) => set({ holds })}
	onClear={() => set({ holds: null })}
/>
<p class="text-note text-ink-2">Empty for one in each.</p>
<Figure
	of="millilitres"
	value={content.millilitres}
	unit="ml"
	decimals={0}
	onSet={(millilitres: number) => set({ millilitres })}
	onClear={() => set({ millilitres: null })}
/>
