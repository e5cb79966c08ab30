import { useState } from "react";
import { useParams } from "react-router";
import { usePiece, type Whose } from "../../api/queries";
import { Lost, Waiting } from "../../components/Notice";
import { t } from "../../words";
import { Workbench } from "./Workbench";

/** A piece: its page, its playing order, its sections, and what to check; for
 * the studio, for all one's students, or for one student. */
export default function PiecePage() {
  const id = Number(useParams().id);
  const [whose, setWhose] = useState<Whose>("studio");
  const piece = usePiece(id, whose);
  if (piece.error && !piece.data)
    return <Lost trouble={piece.error} again={() => piece.refetch()} />;
  if (!piece.data) return <Waiting what={t("piece.piece_page.the_piece")} />;
  return <Workbench key={`${id}/${whose}`} piece={piece.data} whose={whose} onWhose={setWhose} />;
}
