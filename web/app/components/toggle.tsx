import { Switch } from "@chakra-ui/react";

interface ToggleProps {
  readonly label: string;
  readonly on: boolean;
  readonly onTurn: (on: boolean) => void;
}

/** Something that is on or off, with its name beside it. */
export function Toggle({ label, on, onTurn }: ToggleProps) {
  return (
    <Switch.Root size="sm" checked={on} onCheckedChange={(e) => onTurn(e.checked)}>
      <Switch.HiddenInput />
      <Switch.Control />
      <Switch.Label fontSize="14px">{label}</Switch.Label>
    </Switch.Root>
  );
}
