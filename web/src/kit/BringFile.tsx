import Button from "@mui/material/Button";
import { useRef } from "react";

type Props = { label: string; accept: string; disabled?: boolean; read: (file: File) => void };

/** A button that asks for a file. */
export function BringFile({ label, accept, disabled, read }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="outlined" disabled={disabled ?? false} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept={accept}
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) read(file);
        }}
      />
    </>
  );
}
