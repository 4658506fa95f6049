<script lang="ts">
	import IngredientRoom from '$lib/features/formulas/ingredient/IngredientRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<!-- Where it stands is saved without a version of its own. -->
{#key `${data.ingredient?.id ?? 'new'} ${data.version} ${data.ingredient?.placeId}`}
	<IngredientRoom view={data} />
{/key}
