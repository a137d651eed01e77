import * as yup from "yup";
import { nameField } from "./field";

export const personForm = yup.object({ name: nameField("Odile Marsh") });
