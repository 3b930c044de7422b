/** A list mapped; the same list where every entry stayed the same. */
export function mapped<One>(list: readonly One[], map: (one: One, index: number) => One): readonly One[] {
  let same = true;
  const next = list.map((one, index) => {
    const made = map(one, index);
    if (made !== one) same = false;
    return made;
  });
  return same ? list : next;
}
