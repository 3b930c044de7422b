import { configureStore } from '@reduxjs/toolkit';
import { emptyApi } from '../api/emptyApi';
import { autosave } from '../features/recipes/autosave';
import { recipeReducer } from '../features/recipes/recipeSlice';

export const store = configureStore({
  reducer: { recipe: recipeReducer, [emptyApi.reducerPath]: emptyApi.reducer },
  middleware: (defaults) =>
    defaults({ serializableCheck: false, immutableCheck: false }).prepend(autosave.middleware).concat(emptyApi.middleware),
});
