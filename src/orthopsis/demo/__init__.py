"""Demo data in the scenario of Bramblegate School, and the scanner stand-in.

The stand-in takes the place of the document camera, the phone and the copier in demo and tests.
Start with `scanner.scan_sheet`; `pupil` draws, `camera` photographs, `school` fills the register.
"""
