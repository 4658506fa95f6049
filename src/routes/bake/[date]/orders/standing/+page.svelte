<script lang="ts">
	import StandingRoom from '$lib/features/orders/StandingRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key data.date}
	<StandingRoom view={data} />
{/key}
