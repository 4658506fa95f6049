// A thread has no loader for TypeScript of its own: it is registered, then the worker begins.
import { register } from 'tsx/esm/api';

register();
await import('./node.worker.ts');
