import {
  buttonRecipe,
  colorPickerSlotRecipe,
  colorSwatchRecipe,
  fieldSlotRecipe,
  headingRecipe,
  inputRecipe,
  kbdRecipe,
  listSlotRecipe,
  menuSlotRecipe,
  nativeSelectSlotRecipe,
  popoverSlotRecipe,
  radioCardSlotRecipe,
  switchSlotRecipe,
  tableSlotRecipe,
  toastSlotRecipe,
  tooltipSlotRecipe,
} from "@chakra-ui/react/theme";

/** How the components that we use are built; the rest of the library's recipes stay out of the download. */
export const recipes = {
  button: buttonRecipe,
  colorSwatch: colorSwatchRecipe,
  heading: headingRecipe,
  input: inputRecipe,
  kbd: kbdRecipe,
};

export const slotRecipes = {
  colorPicker: colorPickerSlotRecipe,
  field: fieldSlotRecipe,
  list: listSlotRecipe,
  menu: menuSlotRecipe,
  nativeSelect: nativeSelectSlotRecipe,
  popover: popoverSlotRecipe,
  radioCard: radioCardSlotRecipe,
  switch: switchSlotRecipe,
  table: tableSlotRecipe,
  toast: toastSlotRecipe,
  tooltip: tooltipSlotRecipe,
};
