import { useEffect, useState } from "react";

/** A value once it has stayed the same for a while, so that not every key press asks the server. */
export function useLater<T>(value: T, milliseconds: number) {
  const [later, setLater] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setLater(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return later;
}
