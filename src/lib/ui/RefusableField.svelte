<script lang="ts">
	import { tick } from 'svelte';

	interface Props {
		/** Its name, for those who hear it. */
		label: string;
		/** As it stands. */
		value: string;
		class: string;
		/** Takes what was typed; gives why it is refused, or nothing where it was taken. */
		onSet: (text: string) => string;
	}
	let { label, value, class: style, onSet }: Props = $props();
	const id = $props.id();
	/** What was typed and refused: it stays until it is typed otherwise, or put back with Escape. */
	let refused: { readonly text: string; readonly why: string } | null = $state.raw(null);

	async function set(input: HTMLInputElement) {
		const { value: text } = input;
		const why = text === value ? '' : onSet(text);
		refused = why === '' ? null : { text, why };
		await tick();
		// As it is told, whatever was typed for it.
		input.value = refused?.text ?? value;
	}
	function putBack(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
		if (event.key !== 'Escape') return;
		refused = null;
		event.currentTarget.value = value;
		event.currentTarget.select();
	}
</script>

<span class="refusable">
	<input
		{id}
		class={style}
		type="text"
		inputmode="decimal"
		autocomplete="off"
		aria-label={label}
		aria-invalid={refused !== null}
		aria-describedby={refused ? `${id}-why` : undefined}
		value={refused?.text ?? value}
		onchange={(event) => void set(event.currentTarget)}
		onfocus={(event) => event.currentTarget.select()}
		onkeydown={putBack}
	/>
	{#if refused}
		<span id="{id}-why" class="why" role="alert" data-refused={label}
			><b class="act-now px-1">Check</b>
			{refused.why} <i>Escape puts {value || 'nothing'} back.</i></span
		>
	{/if}
</span>

<style>
	.refusable {
		display: inline-block;
	}
	.refusable :global(input[aria-invalid='true']) {
		outline: 3px solid var(--act-now);
		outline-offset: 1px;
	}
	/* In the flow: a sheet that scrolls would cut off what floats. */
	.why {
		display: block;
		width: 170px;
		margin: 6px 0 6px auto;
		padding: 8px 10px;
		border: 2px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
		font-weight: 400;
		text-align: left;
		white-space: normal;
	}
</style>
