<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Snippet } from 'svelte';
	import type { DoorProblem } from '../../contracts/door-views.ts';
	import { doorProblemText } from '../../wording/door-text.ts';

	interface Props {
		label: string;
		/** The action of the page that takes it; empty for its only one. */
		action?: string;
		problem: DoorProblem | null;
		/** What its button says. */
		says: string;
		children: Snippet;
	}
	let { label, action = '', problem, says, children }: Props = $props();
	let busy = $state(false);
</script>

<form
	class="door"
	method="POST"
	action={action === '' ? undefined : `?/${action}`}
	aria-label={label}
	use:enhance={() => {
		busy = true;
		return async ({ update }) => {
			await update();
			busy = false;
		};
	}}
>
	{@render children()}
	{#if problem}
		<p role="alert">
			<span class="act-now px-2">Check</span>
			{doorProblemText(problem)}
		</p>
	{/if}
	<p class="mt-3"><button class="action" disabled={busy}>{says}</button></p>
</form>

<style>
	.door {
		display: grid;
		gap: 8px;
		max-width: 560px;
	}
</style>
