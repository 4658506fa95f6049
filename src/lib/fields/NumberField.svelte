<script lang="ts">
	import { formatNumber, parseWithin } from '../core/units/index.ts';
	import Term from '../ui/Term.svelte';
	import type { GlossaryKey } from '../wording/glossary.ts';
	import { parseFailureText } from '../wording/failure-text.ts';

	interface Props {
		label: string;
		/** Shown and typed in this unit; null for nothing known. */
		value: number | null;
		unit?: string;
		decimals?: number;
		least?: number;
		most?: number;
		whole?: boolean;
		/** Whether the field may be left empty. */
		optional?: boolean;
		/** The label is read out but not shown, as within a table. */
		bare?: boolean;
		/** The word of the glossary that its label is. */
		term?: GlossaryKey;
		onSet: (value: number | null) => void;
	}
	let {
		label,
		value,
		unit = '',
		decimals = 1,
		least = -Infinity,
		most = Infinity,
		whole = false,
		optional = false,
		bare = false,
		term,
		onSet
	}: Props = $props();
	const id = $props.id();
	let problem = $state('');
	const shown = $derived(value === null ? '' : trimmed(value));

	/** Without the zeros that say nothing. */
	function trimmed(number: number): string {
		const text = formatNumber(number, decimals);
		return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
	}
	function set(input: HTMLInputElement) {
		const { value: text } = input;
		if (text === shown) return;
		if (text.trim() === '' && optional) {
			problem = '';
			onSet(null);
			return;
		}
		const read = parseWithin(text, { least, most, whole, unit });
		if (!read.ok) {
			problem = parseFailureText(read.error);
			return;
		}
		problem = '';
		onSet(read.value);
	}
</script>

<div class={bare ? 'inline-block' : 'row'}>
	<label for={id} class={bare ? 'sr-only' : ''}>{label}</label>
	<span class="whitespace-nowrap">
		{#if term}<Term of={term}><span class="sr-only">{label}: what that means</span>?</Term>{/if}
		<input
			{id}
			class="field number"
			type="text"
			inputmode="decimal"
			autocomplete="off"
			value={shown}
			aria-invalid={problem !== '' ? 'true' : undefined}
			aria-describedby={problem !== '' ? `${id}-problem` : undefined}
			onchange={(event) => set(event.currentTarget)}
			onfocus={(event) => event.currentTarget.select()}
		/>
		{#if unit}<span class="unit">{unit}</span>{/if}
	</span>
	{#if problem}<p id="{id}-problem" class="problem" role="alert">{problem}</p>{/if}
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: 1fr auto;
		align-items: center;
		gap: 2px 12px;
		padding: 2px 0;
	}
	.number {
		width: 88px;
		text-align: right;
		font-weight: 700;
	}
	.unit {
		display: inline-block;
		min-width: 2ch;
	}
	.problem {
		grid-column: 1 / -1;
		font-weight: 700;
	}
</style>
