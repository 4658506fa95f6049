<script lang="ts">
	import type { ClosedDaysContent } from '../../../core/bakery/index.ts';
	import type { BakeDate } from '../../../core/time/index.ts';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import TextField from '../../../fields/TextField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';

	let { content, onSet }: FieldsProps<'closed-days'> = $props();
	const set = (change: Partial<ClosedDaysContent>) => onSet({ ...content, ...change });
</script>

<TextField
	type="date"
	label={ENTRY_FIELD_TEXT.fromDate}
	value={content.fromDate}
	onSet={(date: string) =>
		set({
			fromDate: date as BakeDate,
			// Most are one day long.
			...(content.toDate < date || content.toDate === content.fromDate
				? { toDate: date as BakeDate }
				: {})
		})}
/>
<TextField
	type="date"
	label={ENTRY_FIELD_TEXT.toDate}
	value={content.toDate}
	onSet={(date: string) => set({ toDate: date as BakeDate })}
/>
<SwitchField
	label={ENTRY_FIELD_TEXT.yearly}
	checked={content.yearly}
	onSet={(yearly: boolean) => set({ yearly })}
/>
