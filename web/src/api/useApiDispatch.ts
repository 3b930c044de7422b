import { useDispatch } from 'react-redux';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { api } from './api.gen';

/** The part of the store that answers of the server are kept in. */
type WithApi = { readonly [path in typeof api.reducerPath]: ReturnType<typeof api.reducer> };

/** A dispatch that may write into what the server answered. */
export function useApiDispatch() {
  return useDispatch<ThunkDispatch<WithApi, unknown, UnknownAction>>();
}
