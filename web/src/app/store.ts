import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { emptyApi } from '../api/emptyApi';
import { autosave } from '../features/recipes/autosave';
import { recipeReducer } from '../features/recipes/recipeSlice';

export const store = configureStore({
  reducer: { recipe: recipeReducer, [emptyApi.reducerPath]: emptyApi.reducer },
  middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }).prepend(autosave.middleware).concat(emptyApi.middleware),
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
