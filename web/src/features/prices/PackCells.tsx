import { packWords } from '@portiona/core';
import { Link } from 'react-router';

interface PackCellsProps {
  readonly food: string;
  readonly name: string;
  readonly shop: string;
  readonly net: number;
  readonly unit: string;
}

/** Which pack a row is of: its food, which leads to all its prices, its shop and its size. */
export function PackCells({ food, name, shop, net, unit }: PackCellsProps) {
  return (
    <>
      <Link className="font-serif text-line hover:underline" to={`/pantry/${food}?show=usedCost`}>
        {name}
      </Link>
      <span className="muted">{shop}</span>
      <span className="num">{packWords(net, unit)}</span>
    </>
  );
}
