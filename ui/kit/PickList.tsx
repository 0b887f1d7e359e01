import type { MeetingLine } from './store';

/** What is taken from which drawer, in the order in which one walks along them. */
export function PickList({ lines }: { readonly lines: readonly MeetingLine[] }) {
  const drawers = [...new Set(lines.map(({ drawer }) => drawer))].sort(
    (one, other) =>
      Number(one === '') - Number(other === '') || one.localeCompare(other, 'en', { numeric: true }),
  );
  return (
    <section aria-labelledby="pick-title" className="mt-6">
      <h3 id="pick-title" className="text-lead">
        Pick list
      </h3>
      <table className="mt-1 w-full max-w-[56rem] border-collapse">
        <thead>
          <tr className="border-b border-ink text-left text-note text-soft">
            <th className="w-24 py-1 font-normal">Drawer</th>
            <th className="py-1 font-normal">Take</th>
            <th className="w-24 py-1 text-right font-normal">each bench</th>
            <th className="w-20 py-1 text-right font-normal">spares</th>
            <th className="w-20 py-1 text-right font-normal">together</th>
            <th className="w-24 py-1 text-right font-normal">in stock</th>
          </tr>
        </thead>
        {drawers.map((drawer) => (
          <tbody key={drawer} className="border-b border-rule-strong">
            {lines
              .filter((line) => line.drawer === drawer)
              .map((line, index) => (
                <tr key={line.key} className={index > 0 ? 'border-t border-rule' : ''}>
                  <td className="py-1 font-semibold">
                    {index === 0 ? drawer || <span className="font-normal text-soft">none</span> : ''}
                  </td>
                  <td className="py-1">{line.title}</td>
                  <td className="mono text-right">{line.perBench}</td>
                  <td className="mono text-right text-soft">{line.spares}</td>
                  <td className="mono text-right font-semibold">{line.total}</td>
                  <td className="mono text-right">
                    {line.inStock}
                    {line.short > 0 ? (
                      <span className="font-semibold text-fault"> −{line.short}</span>
                    ) : (
                      line.sparesShort > 0 && <span className="text-note text-risk"> few spares</span>
                    )}
                  </td>
                </tr>
              ))}
          </tbody>
        ))}
      </table>
    </section>
  );
}
