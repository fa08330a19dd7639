export function Heading({ children }: { children: React.ReactNode }) {
  return <h3 className="mt-2.5 mb-1 text-[12px] font-bold">{children}</h3>;
}
