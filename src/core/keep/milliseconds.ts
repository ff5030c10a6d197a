/** Spans of time in milliseconds, as moments since 1970 are counted. */
export const HOUR = 60 * 60 * 1000;
export const DAY = 24 * HOUR;
export const WEEK = 7 * DAY;
