import { chakra, HStack } from "@chakra-ui/react";
import { Star } from "lucide-react";
import { chosenWords } from "../../../text/index.ts";

interface StarsProps {
  readonly label: string;
  /** Undefined where several photos differ. */
  readonly stars: number | undefined;
  readonly onStars: (stars: number) => void;
}

/** Five stars to click; the same one again takes them away. */
export function Stars({ label, stars, onStars }: StarsProps) {
  return (
    <HStack gap="0" role="radiogroup" aria-label={label}>
      {[1, 2, 3, 4, 5].map((n) => (
        <chakra.button
          key={n}
          type="button"
          role="radio"
          aria-checked={stars === n}
          aria-label={chosenWords.stars(n)}
          onClick={() => onStars(stars === n ? 0 : n)}
          w="28px"
          h="32px"
          display="grid"
          placeItems="center"
          color={stars !== undefined && stars >= n ? "saffron.400" : "oat.400"}
          _hover={{ color: "saffron.700" }}
        >
          <Star size={19} fill={stars !== undefined && stars >= n ? "currentColor" : "none"} aria-hidden />
        </chakra.button>
      ))}
    </HStack>
  );
}
