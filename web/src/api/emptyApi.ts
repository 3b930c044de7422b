import { createApi } from '@reduxjs/toolkit/query/react';
import { steadyQuery } from './steadyQuery';

/** The server's interface; its endpoints are generated from the OpenAPI document beside this file. */
export const emptyApi = createApi({ baseQuery: steadyQuery, endpoints: () => ({}) });
