import { showSlice } from "../../../shown";
import { guarded } from "../../answer";

/** A slice of the records, asked for with `?q=` and JSON; what is known already is answered at the door. */
export const GET = (request: Request) =>
  guarded(async () => {
    const { pathname, search } = new URL(request.url);
    return showSlice(`${pathname}${search}`);
  });
