<script lang="ts">
	import OrdersRoom from '$lib/features/orders/OrdersRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key data}
	<OrdersRoom view={data} />
{/key}
