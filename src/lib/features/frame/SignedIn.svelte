<script lang="ts">
	import { resolve } from '$app/paths';
	import type { BakeryView } from '../../contracts/views.ts';

	interface Props {
		actor: BakeryView['actor'];
		/** The page that stands open, to come back to. */
		at: string;
	}
	let { actor, at }: Props = $props();
	const isScreen = $derived(actor.role === 'screen');
</script>

<!-- A tablet goes from hand to hand: there its name leads to the others, and back to where it was. -->
{#if actor.at === 'tablet'}
	<a
		class="by"
		class:nobody={isScreen}
		href="{resolve('/hands')}?to={encodeURIComponent(at)}"
		data-signed-in>{isScreen ? 'Whose hands?' : actor.name}</a
	>
{:else if isScreen}
	<span class="by" data-signed-in>{actor.name}</span>
{:else}
	<a class="by" href={resolve('/you')} data-signed-in>{actor.name}</a>
{/if}

<style>
	.by {
		display: grid;
		place-items: center;
		max-width: 8.5rem;
		min-height: 44px;
		padding: 2px 8px;
		border: 1px solid var(--line);
		font-size: 15px;
		line-height: 1.15;
		text-align: center;
	}
	.by.nobody {
		border: 2px solid var(--ink);
		font-weight: 700;
	}
</style>
