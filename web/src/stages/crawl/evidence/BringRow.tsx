import type { ReactNode } from "react";
import { Columns } from "../../../kit/pieces";

type Props = { title: string; children: ReactNode; button: ReactNode };

/** One kind of file: what it is and what it is good for, with its button at the right. */
export function BringRow({ title, children, button }: Props) {
  return (
    <Columns component="li" of="minmax(0, 1fr) auto" gap={2} align="center" ruled py={0.75}>
      <div>
        <strong>{title}</strong>
        {children}
      </div>
      {button}
    </Columns>
  );
}
