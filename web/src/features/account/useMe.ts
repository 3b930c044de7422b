import { useGetMeQuery, type MeDto, type OwnKitchenDto } from '../../api/api.gen';
import { kitchenKey } from '../../api/kitchenAtHand';

export type Right = OwnKitchenDto['rights'][number];

/** Who is signed in; undefined until it is known, and where the server cannot be reached. */
export function useMe(): MeDto | undefined {
  return useGetMeQuery().data;
}

/** What one is in the kitchen at hand. */
export function useMembership(): OwnKitchenDto | undefined {
  return useMe()?.kitchens.find(({ key }) => key === kitchenKey);
}

/**
 * Whether one may do something in the kitchen at hand. Until it is known, and at the stove without the server, it is taken that one may:
 * the server is who decides.
 */
export function useMay(right: Right): boolean {
  return useMembership()?.rights.includes(right) ?? true;
}
