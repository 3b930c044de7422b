import { nanoid } from '@reduxjs/toolkit';

/** What this page calls itself, so that it is not told of its own doings. */
export const TAB = nanoid(16);

/** Header in which it says so. */
export const TAB_HEADER = 'X-Portiona-Tab';
