<script lang="ts">
	import NothingToWeigh from '$lib/features/weigh/NothingToWeigh.svelte';
	import WeighRoom from '$lib/features/weigh/WeighRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#if data.weighUp}
	<WeighRoom view={data.weighUp} />
{:else}
	<NothingToWeigh date={data.date} />
{/if}
