<script lang="ts">
	import { resolve } from '$app/paths';

	interface Props {
		date: string;
	}
	let { date }: Props = $props();
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="take-along" data-take-along>
	<h2 id="take-along">Take all of it along</h2>
	<p class="my-2">
		Everything there is of the bakery as one archive, as it stands at this moment: to keep, or to
		bring in where Jovet starts with nothing. It has what people typed, and the fingerprints of the
		keys of devices: keep it as carefully as the bakery itself.
	</p>
	<a class="action-lesser no-underline!" href={resolve(`/bake/${date}/bakery/archive.zip`)} download
		>Save the archive</a
	>
</section>
