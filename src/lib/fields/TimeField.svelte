<script lang="ts">
	import type { WallTime } from '../core/time/index.ts';
	import { readWallTime } from '../core/time/read-wall-time.ts';

	interface Props {
		label: string;
		value: WallTime;
		/** The label is read out but not shown, as within a table. */
		bare?: boolean;
		onSet: (value: WallTime) => void;
	}
	let { label, value, bare = false, onSet }: Props = $props();
	const id = $props.id();
	let problem = $state('');

	function set(input: HTMLInputElement) {
		const read = readWallTime(input.value);
		problem = read.ok ? '' : `"${input.value}" is no time of day. Type it as 02:30.`;
		if (!read.ok) return;
		input.value = read.value;
		if (read.value !== value) onSet(read.value);
	}
</script>

<div class={bare ? 'inline-block' : 'row'}>
	<label for={id} class={bare ? 'sr-only' : ''}>{label}</label>
	<input
		{id}
		class="field time"
		type="text"
		inputmode="numeric"
		autocomplete="off"
		{value}
		aria-invalid={problem !== '' ? 'true' : undefined}
		aria-describedby={problem !== '' ? `${id}-problem` : undefined}
		onchange={(event) => set(event.currentTarget)}
	/>
	{#if problem}<p id="{id}-problem" class="problem" role="alert">{problem}</p>{/if}
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: center;
		gap: 2px 12px;
		padding: 2px 0;
	}
	.time {
		width: 76px;
		font-weight: 700;
		text-align: center;
	}
	.problem {
		grid-column: 1 / -1;
		font-weight: 700;
	}
</style>
