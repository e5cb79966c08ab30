import { Box, Text } from "@chakra-ui/react";

/** Two lines where they apply, the whole text a tap away. General, not medical. */
export function Cautions({ own }: { own?: string | null }) {
  return (
    <Box fontSize="md" color="soft" mt="14px">
      <Text>
        Something hurts or tingles? Stop and rest. If it comes back, see a doctor. Take a break after 20 minutes.
      </Text>
      {own && <Text>{own}</Text>}
      <details>
        <summary style={{ cursor: "pointer" }}>More</summary>
        <Text>
          Sit far enough back that the forearms are level and the body leans slightly forward. Keep the heel on the
          floor when pedalling. Never force a stretch: a small hand may leave notes out or break the chord. Stop at
          pain, tingling or numbness and rest; see a doctor or hand specialist if it comes back. Take a break at least
          every 20 to 25 minutes, and keep a small child's sessions short. Keep headphones at a moderate volume. This is
          general advice, not medical advice; what your doctor and local rules say goes first.
        </Text>
      </details>
    </Box>
  );
}
