<script lang="ts">
	interface Props {
		label: string;
		unit: string;
		value: string;
		note?: string;
		onChange: (value: string) => void;
	}
	let { label, unit, value, note = '', onChange }: Props = $props();
	const id = $props.id();
</script>

<div>
	<label for={id} class="block font-bold">{label}</label>
	<span class="flex items-center gap-2">
		<input
			{id}
			class="field w-28 text-right font-bold"
			type="text"
			inputmode="decimal"
			autocomplete="off"
			{value}
			aria-describedby={note ? `${id}-note` : undefined}
			oninput={(event) => onChange(event.currentTarget.value)}
		/>
		{unit}
	</span>
	{#if note}<span id="{id}-note" class="text-note text-ink-2">{note}</span>{/if}
</div>
