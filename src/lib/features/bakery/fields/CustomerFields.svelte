<script lang="ts">
	import { resolve } from '$app/paths';
	import TextField from '../../../fields/TextField.svelte';
	import ChoiceField from '../../../fields/ChoiceField.svelte';
	import { ENTRY_FIELD_TEXT } from '../../../wording/entry-fields.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';

	let { content, view, onSet }: FieldsProps<'customer'> = $props();
</script>

{#if view.drops.length === 0}
	<p>
		A customer’s bread comes with a drop. <a href={resolve(`/bake/${view.date}/bakery/drops`)}
			>Enter the first drop</a
		>.
	</p>
{:else}
	<ChoiceField
		label={ENTRY_FIELD_TEXT.dropId}
		options={view.drops.map(({ id, name }) => ({ value: id, label: name }))}
		value={content.dropId}
		placeholder="Choose a drop"
		onSet={(dropId: string) => onSet({ ...content, dropId })}
	/>
{/if}
<TextField
	label={ENTRY_FIELD_TEXT.note}
	value={content.note}
	most={500}
	placeholder="back door, ring twice"
	onSet={(note: string) => onSet({ ...content, note })}
/>
