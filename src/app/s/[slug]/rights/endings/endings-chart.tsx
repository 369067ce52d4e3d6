'use client';

import { useEffect, useRef, useState } from 'react';

interface EndingsChartProps {
  /** Days as YYYY-MM-DD, in order: from then on so many places may stand, and these pictures no longer. */
  steps: readonly { readonly day: string; readonly left: number; readonly names: string }[];
}

/** How many places may still stand as permissions end, day by day. The table beside it says the same. */
export function EndingsChart({ steps }: EndingsChartProps) {
  const root = useRef<HTMLDivElement>(null);
  const [problem, setProblem] = useState('');
  useEffect(() => {
    const element = root.current;
    if (!element) return;
    let isGone = false;
    void import('plotly.js-basic-dist-min').then(
      async ({ default: Plotly }) => {
        if (isGone) return;
        const style = getComputedStyle(element);
        const colour = (name: string) => style.getPropertyValue(name).trim();
        await Plotly.newPlot(
          element,
          [
            {
              ...{
                type: 'scatter',
                mode: 'lines+markers',
                x: steps.map(({ day }) => day),
                y: steps.map(({ left }) => left),
              },
              text: steps.map(({ names }) => names),
              hovertemplate: '%{x|%Y-%m-%d}: %{y} places left<br>%{text}<extra></extra>',
              line: { shape: 'hv', color: colour('--green'), width: 2 },
              marker: { size: 7, color: colour('--must') },
            },
          ],
          {
            ...{ margin: { l: 48, r: 12, t: 8, b: 36 }, height: 260, showlegend: false },
            ...{ paper_bgcolor: 'rgba(0,0,0,0)', plot_bgcolor: 'rgba(0,0,0,0)' },
            font: { family: style.fontFamily, size: 13, color: style.color },
            xaxis: { type: 'date', tickformat: '%b %Y', fixedrange: true },
            yaxis: { rangemode: 'tozero', title: { text: 'places' }, fixedrange: true },
          },
          { displayModeBar: false, responsive: true },
        );
      },
      () => setProblem('The chart could not be loaded; the table says the same.'),
    );
    return () => {
      isGone = true;
      void import('plotly.js-basic-dist-min').then(({ default: Plotly }) => Plotly.purge(element));
    };
  }, [steps]);
  return (
    <>
      <div
        ref={root}
        role="img"
        aria-label="Places that may still stand, by the day on which permissions end"
        className="min-h-[260px]"
      />
      {problem ? <p className="text-sm text-should">{problem}</p> : null}
    </>
  );
}
