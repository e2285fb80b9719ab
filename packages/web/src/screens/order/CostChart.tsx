import { Bar, BarChart, Tooltip, XAxis, YAxis } from 'recharts';
import { AISLES, dollars, materialUsed } from '@amber/core';
import type { OrderView } from './useOrder.js';

/** Dollars of material by aisle and of labour, the dearest first. */
export const CostChart = ({ view: { job, list, labour } }: { view: OrderView }) => {
  const bars = [
    ...AISLES.map((aisle) => ({
      name: aisle,
      money: materialUsed(job, { lines: list.lines.filter((line) => line.aisle === aisle) }),
    })),
    { name: 'labour', money: labour.price },
  ]
    .filter(({ money }) => money > 0)
    .sort((a, b) => b.money - a.money);
  // Nothing costs anything yet: there is nothing to be seen.
  if (bars.length === 0) return null;
  return (
    <div role="img" aria-label={bars.map(({ name, money }) => `${name} ${dollars(money)}`).join(', ')}>
      <BarChart
        width={440}
        height={28 * bars.length + 24}
        data={bars}
        layout="vertical"
        margin={{ left: 8, right: 64, top: 4, bottom: 4 }}
        style={{ maxWidth: '100%' }}
      >
        <XAxis type="number" hide />
        <YAxis
          type="category"
          dataKey="name"
          width={84}
          tickLine={false}
          axisLine={false}
          tick={{ fontSize: 13, fill: 'var(--color-ink)' }}
        />
        <Tooltip formatter={(money) => dollars(Number(money))} />
        <Bar
          dataKey="money"
          fill="var(--color-ink)"
          isAnimationActive={false}
          label={{
            position: 'right',
            fontSize: 12.5,
            fill: 'var(--color-ink)',
            formatter: (money: unknown) => dollars(Number(money)),
          }}
        />
      </BarChart>
    </div>
  );
};
