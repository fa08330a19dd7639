/** An address that leads nowhere, and the ways on. */
import { Link } from "react-router";

import { Message } from "@/table/Message";

import { useTitle } from "../title";

export function NoPage() {
  useTitle("No such page");
  return (
    <Message
      title="There is no such page"
      text="The address may have been cut short, or what was here may have been moved."
    >
      <p className="mt-3 flex gap-2">
        <Link className="rounded-field bg-primary px-3 py-1 font-semibold text-primary-content" to="/">
          All sheets
        </Link>
        <Link
          className="rounded-field border border-(--edge) bg-base-100 px-3 py-1 hover:border-base-content"
          to="/library"
        >
          Library
        </Link>
      </p>
    </Message>
  );
}
