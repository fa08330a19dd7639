/** The sheets of paper that a file is laid over: what each shows, by its page, and what two of them share. */
import type { ExportFound } from "./useFacts";

interface Props {
  found: ExportFound;
  children: React.ReactNode;
}

/** Paper reaches past the picture to the right and below. */
export function Papers({ found, children }: Props) {
  const { papers, width_mm, height_mm } = found;
  const right = Math.max(...papers.map((paper) => paper.left + paper.width));
  const foot = Math.max(...papers.map((paper) => paper.top + paper.height));
  const hair = right / 700;
  const size = right / 32;
  return (
    <div
      data-testid="papers"
      className="relative bg-white shadow-sm"
      style={{ aspectRatio: right / foot, width: `min(100%, ${(500 * right) / foot}px)` }}
    >
      <div
        className="absolute top-0 left-0 [&>img]:size-full"
        style={{ width: `${(100 * width_mm) / right}%`, height: `${(100 * height_mm) / foot}%` }}
      >
        {children}
      </div>
      <svg viewBox={`0 0 ${right} ${foot}`} className="absolute inset-0 size-full" aria-hidden>
        {papers.map(({ left, top, width, height }, index) => (
          <g key={`${left} ${top}`}>
            <rect
              x={left}
              y={top}
              width={width}
              height={height}
              fill="#2f6f62"
              fillOpacity={0.06}
              stroke="#1d5348"
              strokeWidth={hair}
              strokeDasharray={`${5 * hair} ${3 * hair}`}
            />
            <text
              x={left + size / 2}
              y={top + size / 3}
              fontSize={size}
              dominantBaseline="hanging"
              className="font-semibold"
              fill="#1d5348"
              stroke="#fff"
              strokeWidth={size / 5}
              paintOrder="stroke"
            >
              {index + 1}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
