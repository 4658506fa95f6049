import { config } from 'zod';

/*
 * The schema library tries to compile its checks with `eval`, which the content security policy refuses and the browser
 * then reports. Fetched before the first schema of a page is made: few pages of a night ever need one.
 */
config({ jitless: true });
