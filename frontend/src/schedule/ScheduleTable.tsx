/** A table of the schedule, sorted by any of its columns; a line leads to its paths on the sheet. */
import { ArrowDown, ArrowUp } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";

import type { ScheduleTable as Table } from "@/shared/api/schedule";

type Line = Table["lines"][number];

/** By which column lines stand in order, and whether the largest comes first; as they came if none. */
interface Order {
  column: number;
  down: boolean;
}

export function ScheduleTable({ table, sheet }: { table: Table; sheet: string }) {
  const [order, setOrder] = useState<Order | null>(null);
  // What nothing is in is not shown.
  const shown = table.columns.flatMap((column, at) =>
    at === 0 || table.lines.some((line) => line.texts[at]) ? [{ ...column, at }] : [],
  );
  const lines = order ? sorted(table.lines, order) : table.lines;
  const press = (at: number, number: boolean) =>
    setOrder(order?.column === at ? { column: at, down: !order.down } : { column: at, down: number });
  if (!table.lines.length) return <p className="muted mt-4">Nothing is laid on this sheet yet. Lay a brush first.</p>;
  return (
    <table className="mt-2 w-full border-collapse text-[13px]">
      <thead>
        <tr>
          {shown.map((column) => (
            <th
              key={column.key}
              scope="col"
              aria-sort={order?.column === column.at ? (order.down ? "descending" : "ascending") : undefined}
              className={`sticky top-0 border-b border-base-content bg-base-200 px-1.5 py-1 align-bottom print:static print:bg-transparent ${column.number ? "text-right" : "text-left"}`}
            >
              <button
                className={`inline-flex cursor-pointer items-end gap-0.5 font-bold hover:underline ${column.number ? "text-right" : "text-left"}`}
                onClick={() => press(column.at, column.number)}
              >
                {column.heading}
                {order?.column === column.at &&
                  (order.down ? <ArrowDown size={12} aria-hidden /> : <ArrowUp size={12} aria-hidden />)}
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((line, row) => (
          <tr key={row} className="border-b border-base-300 hover:bg-base-100">
            {shown.map((column) => (
              <td key={column.key} className={cellClass(column)}>
                {column.at === 0 ? (
                  <Link
                    className="underline decoration-(--edge) underline-offset-2 hover:decoration-current"
                    to={`/sheets/${sheet}`}
                    state={{ choose: line.paths }}
                    title="Choose it on the sheet"
                  >
                    {line.texts[0]}
                  </Link>
                ) : (
                  line.texts[column.at]
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className="border-t border-base-content font-bold">
          {shown.map((column) => (
            <td key={column.key} className={cellClass(column)}>
              {table.sums.texts[column.at]}
            </td>
          ))}
        </tr>
      </tfoot>
    </table>
  );
}

/** Numbers stand under one another; what a line is called stays in one piece. */
const cellClass = ({ number, at }: { number: boolean; at: number }) =>
  `px-1.5 py-1 align-top ${number ? "measure text-right " : ""}${number || at < 3 ? "whitespace-nowrap" : ""}`;

/** Lines in order; those that have nothing there come last. */
function sorted(lines: readonly Line[], { column, down }: Order): Line[] {
  const sign = down ? -1 : 1;
  return [...lines].sort((a, b) => {
    const [x, y] = [a.values[column] ?? "", b.values[column] ?? ""];
    if (x === "" || y === "") return Number(x === "") - Number(y === "");
    if (typeof x === "number" && typeof y === "number") return sign * (x - y);
    return sign * String(x).localeCompare(String(y), "en", { numeric: true });
  });
}
