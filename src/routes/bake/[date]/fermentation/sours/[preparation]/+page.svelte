<script lang="ts">
	import NoSuchSour from '$lib/features/ripening/NoSuchSour.svelte';
	import SourWalk from '$lib/features/ripening/SourWalk.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#if data.sour}
	<SourWalk view={data.sour} />
{:else}
	<NoSuchSour date={data.date} />
{/if}
