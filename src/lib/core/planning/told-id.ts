/** A fold or a move is told with its wait: the task as it is told, of a task of the engine. */
export function toldIdOf(task: string): string {
	return task.replace(/:(?:fold|move):\d+$/, '');
}
