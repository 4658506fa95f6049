<script lang="ts">
	import { resolve } from '$app/paths';

	interface Props {
		name: string;
	}
	let { name }: Props = $props();
</script>

<p role="status" data-keyless>
	<span class="act-now px-2">No password</span>
	Nobody can sign in as {name} once this browser forgets you.
	<a href={resolve('/you')}>Choose a password</a>
</p>

<style>
	p {
		padding: 8px 20px;
		background: var(--sheet);
		border-bottom: 1px solid var(--line);
	}
	@media print {
		p {
			display: none;
		}
	}
</style>
