/** The time zone Saltmarrow keeps. */
export const DEMO_ZONE = 'Europe/London';
