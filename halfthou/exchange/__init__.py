"""Documents to and from text: job files, readings and limits sheets. Strict: a bad file is refused whole."""

from halfthou.exchange.decimals import exact_amount, exact_text
from halfthou.exchange.faults import BadFile, Fault, faults_of, in_plain_words
from halfthou.exchange.gauge_line import LineFault, LineRead, read_line
from halfthou.exchange.job_json import read_job, read_limits, write_job, write_limits
from halfthou.exchange.job_zip import MOST_ZIP, read_zip, write_zip
from halfthou.exchange.limits_csv import read_limits_csv, write_limits_csv
from halfthou.exchange.pasted import PastedTable, pasted_table
from halfthou.exchange.plain_text import assessment_text
from halfthou.exchange.readings_csv import ReadingRow, read_readings, write_readings
from halfthou.exchange.spreadsheet import table_of_workbook
from halfthou.exchange.table import write_table
