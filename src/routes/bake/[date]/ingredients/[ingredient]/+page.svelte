<script lang="ts">
	import IngredientRoom from '$lib/features/formulas/ingredient/IngredientRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key `${data.ingredient?.id ?? 'new'} ${data.version}`}
	<IngredientRoom view={data} />
{/key}
