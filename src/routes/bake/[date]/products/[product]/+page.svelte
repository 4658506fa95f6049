<script lang="ts">
	import ProductRoom from '$lib/features/formulas/product/ProductRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key `${data.product?.id ?? 'new'} ${data.revision}`}
	<ProductRoom view={data} />
{/key}
