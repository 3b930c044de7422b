/** Bytes of a kitchen file that is taken in, at most. */
export const MOST_KITCHEN_FILE = 32 * 1024 * 1024;
