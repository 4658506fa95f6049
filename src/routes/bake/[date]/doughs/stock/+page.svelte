<script lang="ts">
	import StockRoom from '$lib/features/stock/StockRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<StockRoom view={data} />
