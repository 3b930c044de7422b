import { configureStore } from '@reduxjs/toolkit';
import { emptyApi } from '../api/emptyApi';
import '../api/putAwayTags';
import { autosave } from '../features/recipes/autosave';
import { onlyLooking } from '../features/recipes/onlyLooking';
import { recipeReducer } from '../features/recipes/recipeSlice';

export const store = configureStore({
  reducer: { recipe: recipeReducer, [emptyApi.reducerPath]: emptyApi.reducer },
  middleware: (defaults) =>
    defaults({ serializableCheck: false, immutableCheck: false }).prepend(onlyLooking, autosave.middleware).concat(emptyApi.middleware),
});
