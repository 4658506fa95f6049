<script lang="ts">
	import BakeryRoom from '$lib/features/bakery/BakeryRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<BakeryRoom view={data.room} backup={data.backup} />
