<script lang="ts">
	import TextField from '../../../fields/TextField.svelte';
	import WeekdaysField from '../../../fields/WeekdaysField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'supplier'> = $props();
</script>

<WeekdaysField
	label="Comes on"
	value={content.weekdays}
	onSet={(weekdays: readonly number[]) => onSet({ ...content, weekdays })}
/>
<Figure
	of="daysAhead"
	value={content.daysAhead}
	onSet={(daysAhead: number) => onSet({ ...content, daysAhead })}
/>
<TextField
	label={ENTRY_FIELD_TEXT.note}
	value={content.note}
	most={500}
	placeholder="telephone before noon"
	onSet={(note: string) => onSet({ ...content, note })}
/>
