import { DropdownMenu } from 'radix-ui';
import type { Format } from '@portiona/core';
import { useGetReadersAddressQuery, useListPublishedCardsQuery } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { Menu } from '../../ui/Menu';
import { kitchenAddress } from '../../api/kitchenAtHand';

interface CardOutputsProps {
  readonly id: string;
  readonly format: Format;
  /** Pages that the card takes in this format. */
  readonly pages: number;
  readonly issue: number | undefined;
}

/** The same card as pictures, as a page, and for other programs. */
export function CardOutputs({ id, format, pages, issue }: CardOutputsProps) {
  const card = kitchenAddress(`/recipes/${id}/card`);
  const asOf = issue === undefined ? '' : `&issue=${issue}`;
  const drawn = Array.from({ length: pages }, (_, i) => {
    const which = pages === 1 ? '' : `, page ${i + 1}`;
    const query = `format=${format}&page=${i + 1}${asOf}`;
    return [
      [`${card}.png?${query}`, `Picture, PNG${which}`],
      [`${card}.svg?${query}`, `Drawing, SVG${which}`],
    ] as const;
  }).flat();
  const address = useGetReadersAddressQuery().data;
  const isOut = useListPublishedCardsQuery().data?.some(({ recipe, takenBack }) => recipe === id && takenBack === null) ?? false;
  const outputs = [
    ...drawn,
    [`${card}.html?download=1${asOf}`, 'Page of its own, HTML'],
    [`${card}-embed.html?piece=1${asOf}`, 'Piece for your own site, HTML'],
    [`${card}.md`, 'Markdown'],
    [kitchenAddress(`/recipes/${id}/recipe.jsonld`), 'schema.org data'],
    [kitchenAddress(`/exports/recipes/${id}/lines.csv`), 'Ingredients as CSV'],
    [kitchenAddress(`/exports/recipes/${id}/kitchen-file`), 'Kitchen file with all it is made of'],
  ] as const;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>
          More <span aria-hidden>▾</span>
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content asChild align="end" sideOffset={4}>
          <Menu>
            {address?.on && isOut && (
              <DropdownMenu.Item asChild>
                <a className="menu-item" href={`${address.url}/cards/${encodeURIComponent(id)}`} target="_blank" rel="noreferrer">
                  As readers read it
                </a>
              </DropdownMenu.Item>
            )}
            {outputs.map(([href, name]) => (
              <DropdownMenu.Item key={href} asChild>
                <a className="menu-item" href={href} download>
                  {name}
                </a>
              </DropdownMenu.Item>
            ))}
          </Menu>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
