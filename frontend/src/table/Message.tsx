/** A page with one thing to say. */
export function Message({ title, text, children }: { title: string; text: string; children?: React.ReactNode }) {
  return (
    <main className="grid h-full place-items-center bg-base-200">
      <div className="max-w-md p-6">
        <h1 className="text-[18px] font-bold">{title}</h1>
        <p className="mt-1">{text}</p>
        {children}
      </div>
    </main>
  );
}
