<script lang="ts">
	interface Props {
		label: string;
		value: string;
		type?: 'text' | 'date';
		most?: number;
		/** The label is read out but not shown, as within a table. */
		bare?: boolean;
		placeholder?: string;
		onSet: (value: string) => void;
	}
	let {
		label,
		value,
		type = 'text',
		most = 200,
		bare = false,
		placeholder = '',
		onSet
	}: Props = $props();
	const id = $props.id();
	/** An emptied or half-typed date leaves what stood. */
	function set(input: HTMLInputElement) {
		if (type !== 'text' && input.value === '') input.value = value;
		else onSet(input.value);
	}
</script>

<div class={bare ? 'inline-block' : 'row'}>
	<label for={id} class={bare ? 'sr-only' : ''}>{label}</label>
	<input
		{id}
		class="field"
		{type}
		{value}
		{placeholder}
		maxlength={type === 'text' ? most : undefined}
		min={type === 'date' ? '2000-01-01' : undefined}
		max={type === 'date' ? '2199-12-31' : undefined}
		autocomplete="off"
		onchange={(event) => set(event.currentTarget)}
	/>
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 220px);
		align-items: center;
		gap: 2px 12px;
		padding: 2px 0;
	}
	.row input {
		width: 100%;
		min-width: 0;
	}
</style>
