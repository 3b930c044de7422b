import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

/** The server's interface; its endpoints are generated from the OpenAPI document beside this file. */
export const emptyApi = createApi({ baseQuery: fetchBaseQuery({ baseUrl: '/' }), endpoints: () => ({}) });
