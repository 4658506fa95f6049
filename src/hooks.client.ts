import { z } from 'zod';

// The schema library tries to compile its checks with `eval`, which the content security policy refuses and the
// browser then reports. This runs before any page's schemas are made.
z.config({ jitless: true });
