<script lang="ts">
	import DevicesPage from '$lib/features/bakery/DevicesPage.svelte';
	import EntriesRoom from '$lib/features/bakery/entries/EntriesRoom.svelte';
	import WaterPage from '$lib/features/bakery/WaterPage.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#if data.entries}
	{#key data.entries.kind}<EntriesRoom view={data.entries} />{/key}
{:else if data.section === 'water'}
	<WaterPage view={data.room} />
{:else}
	<DevicesPage view={data.room} />
{/if}
