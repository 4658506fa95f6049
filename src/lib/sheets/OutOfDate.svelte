<script lang="ts">
	import { resolve } from '$app/paths';

	interface Props {
		date: string;
	}
	let { date }: Props = $props();
</script>

<p class="mx-5 mb-3 print:hidden" role="alert">
	<span class="act-now px-2 py-1">Out of date</span>
	Orders or times changed since this plan was accepted.
	<a href={resolve(`/bake/${date}/plan`)}>Look at the new plan</a>.
</p>
