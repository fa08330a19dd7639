/** The way in: straight to the first sheet. */
import { useQuery } from "@tanstack/react-query";
import { Navigate } from "react-router";

import { api } from "@/shared/api/client";

export function FirstSheet() {
  const { data, error } = useQuery({ queryKey: ["sheets"], queryFn: api.sheets });
  if (error) return <Message title="No sheets" text={error.message} />;
  if (!data) return <Message title="Curlet" text="Opening the Table." />;
  const first = data.sheets[0];
  if (first) return <Navigate to={`/sheets/${first.id}`} replace />;
  return <Message title="No sheets yet" text="Run make demo to put the demo sheets here." />;
}

export function Message({ title, text }: { title: string; text: string }) {
  return (
    <main className="grid h-full place-items-center bg-base-200">
      <div className="max-w-md p-6">
        <h1 className="text-[18px] font-bold">{title}</h1>
        <p className="mt-1">{text}</p>
      </div>
    </main>
  );
}
