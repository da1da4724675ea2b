<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Course from '$lib/features/course/Course.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
	const id = $derived(page.params.course ?? '');
	const open = (course: string): void =>
		void goto(`${session.home}/course/${course}`, { keepFocus: session.fresh !== '' });
</script>

<svelte:head><title>{session.courses.get(id)?.name ?? 'Course'} · {session.project.name}</title></svelte:head>
<Course {session} {id} onopen={open} />
