import { memo, useId } from 'react';
import type { Basis } from '../core/known.ts';
import type { BudgetSources } from '../core/night/account/sources.ts';
import type { Budget } from '../core/verdict/budget.ts';
import type { BudgetItemName } from '../core/verdict/plannedSub.ts';
import { BASIS_WORDS, itemName, MENDED_BY } from '../text/budgetWords.ts';
import type { Format } from '../text/format.ts';

type Props = { budget: Budget; sources: BudgetSources; format: Format; here: string };

/** A bar whose length is the item's width in arcsec; hatched = assumed, outlined = not looked at. */
function Bar({ percent, basis, colour }: { percent: number; basis: Basis; colour: string }) {
  const id = useId();
  const fill = basis === 'assumed' ? `url(#${id})` : basis === 'notLooked' ? 'none' : colour;
  return (
    <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
      <defs>
        <pattern id={id} width="4" height="10" patternUnits="userSpaceOnUse">
          <rect width="2.4" height="10" fill={colour} />
        </pattern>
      </defs>
      <rect
        x="0.5"
        y="1"
        width={percent}
        height="8"
        fill={fill}
        stroke={basis === 'notLooked' ? colour : 'none'}
        strokeWidth="0.6"
      />
    </svg>
  );
}

type RowProps = {
  item: BudgetItemName;
  widens: boolean;
  basis: Basis;
  percent: number;
  figure: string;
  here: boolean;
};

/** Takes plain values only, so that a row is drawn again only when what it shows has changed. */
const Row = memo(function Row({ item, widens, basis, percent, figure, here }: RowProps) {
  const colour = widens ? 'var(--pale)' : here ? 'var(--action)' : 'var(--bar)';
  return (
    <tr className={here ? 'here' : undefined} title={BASIS_WORDS[basis]}>
      <th scope="row">
        {itemName(item, basis)}
        <span className="visually-hidden">, {BASIS_WORDS[basis]}</span>
      </th>
      <td>
        <Bar percent={percent} basis={basis} colour={colour} />
      </td>
      <td className="figures">{figure}</td>
    </tr>
  );
});

type Entry = { item: BudgetItemName; fwhmArcsec: number };

/** The two groups: what stretches the star, ranked; pale, what widens it evenly. */
export function BudgetTable({ budget, sources, format, here }: Props) {
  const { stretches, widens: even } = budget;
  const widest = Math.max(...[...stretches, ...even].map((e) => e.fwhmArcsec), 0.1);
  const toRow =
    (widens: boolean) =>
    ({ item, fwhmArcsec }: Entry) => {
      const basis = sources[item]?.basis ?? 'told';
      const percent = Math.round(Math.max(1.5, Math.min(1, fwhmArcsec / widest) * 99));
      const figure = basis === 'notLooked' && fwhmArcsec === 0 ? 'not seen' : format.quantity(fwhmArcsec, 'arcsec');
      const isHere = MENDED_BY[item] === here;
      return (
        <Row key={item} item={item} widens={widens} basis={basis} percent={percent} figure={figure} here={isHere} />
      );
    };
  return (
    <>
      <table className="budget">
        <caption>Stretches the star</caption>
        <tbody>{stretches.map(toRow(false))}</tbody>
      </table>
      <table className="budget widens">
        <caption>Widens it evenly</caption>
        <tbody>{even.map(toRow(true))}</tbody>
      </table>
    </>
  );
}
