import { api } from './api.gen';

/** What is put away or taken out again is listed on a page of its own too, which may be looked at before that is done. */
export const putAwayTags = api.enhanceEndpoints({
  endpoints: {
    archiveRecipe: { invalidatesTags: ['recipes', 'put-away'] },
    restoreRecipe: { invalidatesTags: ['recipes', 'put-away'] },
    archiveFood: { invalidatesTags: ['foods', 'put-away'] },
    restoreFood: { invalidatesTags: ['foods', 'put-away'] },
  },
});
