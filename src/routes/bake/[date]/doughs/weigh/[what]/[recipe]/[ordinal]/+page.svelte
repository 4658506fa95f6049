<script lang="ts">
	import WeighRoom from '$lib/features/weigh/WeighRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<WeighRoom view={data} />
