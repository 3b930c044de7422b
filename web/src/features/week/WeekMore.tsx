import { useState } from 'react';
import { Ellipsis } from 'lucide-react';
import { useNavigate } from 'react-router';
import { dayAfter } from '@portiona/core';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { MenuItem } from '../../ui/Menu';
import type { WeekHere } from './useWeek';
import { withoutMeals } from './weekEdits';
import { dayShort } from './weekWords';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** The weeks beside this one, and what else can be done with it. */
export function WeekMore({ here: { week, ground, change }, onAdd }: { readonly here: WeekHere; readonly onAdd: () => void }) {
  const go = useNavigate();
  const [open, setOpen] = useState(false);
  const from = ground.today > week.from ? ground.today : week.from;
  const item = (act: () => void) => () => {
    setOpen(false);
    act();
  };
  return (
    <span className="plan-controls">
      <Button onClick={() => void go(`/plan/week/${dayAfter(week.from, -7)}`)} aria-label="A week back">
        ‹
      </Button>
      <Button onClick={() => void go(`/plan/week/${dayAfter(week.from, 7)}`)} aria-label="A week on">
        ›
      </Button>
      <DropPanel
        label="More"
        align="end"
        className="p-1 w-[230px] grid"
        open={open}
        onOpenChange={setOpen}
        trigger={
          <Button aria-label="More">
            <Ellipsis size={16} />
          </Button>
        }
      >
        <MenuItem type="button" onClick={item(onAdd)}>
          Add somebody
        </MenuItem>
        {ground.people.length > 0 && (
          <MenuItem type="button" onClick={item(() => window.print())}>
            Print the week
          </MenuItem>
        )}
        <a className="menu-item" href={kitchenAddress('/exports/sessions.ics')} download onClick={() => setOpen(false)}>
          Calendar file, with what to thaw
        </a>
        {week.meals.some(({ date }) => date >= from) && (
          <MenuItem type="button" onClick={item(() => change((one) => withoutMeals(one, from)))}>
            Take all back from {dayShort(from)} on
          </MenuItem>
        )}
      </DropPanel>
    </span>
  );
}
