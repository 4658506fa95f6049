<script lang="ts">
	import OrdersRoom from '$lib/features/orders/OrdersRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key data.date}
	<OrdersRoom view={data} />
{/key}
