<script lang="ts">
	import Minus from '@lucide/svelte/icons/minus';
	import Plus from '@lucide/svelte/icons/plus';

	interface Props {
		label: string;
		value: number;
		least?: number;
		most?: number;
		onSet: (value: number) => void;
	}
	let { label, value, least = 0, most = 9999, onSet }: Props = $props();
	const id = $props.id();
	const within = (wanted: number) => Math.min(most, Math.max(least, wanted));
	function typed(input: HTMLInputElement) {
		const read = /^\d{1,4}$/.test(input.value.trim()) ? Number(input.value) : value;
		onSet(within(read));
		input.value = String(within(read));
	}
</script>

<div class="stepper">
	<label for={id}>{label}</label>
	<div class="line">
		<button
			class="action-lesser"
			type="button"
			aria-label="{label}: one fewer"
			disabled={value <= least}
			onclick={() => onSet(within(value - 1))}><Minus aria-hidden="true" /></button
		>
		<input
			{id}
			class="field"
			inputmode="numeric"
			autocomplete="off"
			{value}
			onfocus={(event) => event.currentTarget.select()}
			onchange={(event) => typed(event.currentTarget)}
		/>
		<button
			class="action-lesser"
			type="button"
			aria-label="{label}: one more"
			disabled={value >= most}
			onclick={() => onSet(within(value + 1))}><Plus aria-hidden="true" /></button
		>
	</div>
</div>

<style>
	label {
		display: block;
		font-size: 19px;
	}
	.line {
		display: flex;
		gap: 4px;
	}
	button {
		min-width: 56px;
		min-height: 56px;
		display: grid;
		place-items: center;
	}
	input {
		width: 72px;
		min-height: 56px;
		text-align: center;
		font-size: 28px;
		font-weight: 700;
		font-variant-numeric: tabular-nums;
	}
</style>
