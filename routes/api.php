<?php

declare(strict_types=1);

use App\Http\Controllers\BuildController;
use App\Http\Controllers\CalculatorController;
use App\Http\Controllers\DrawerController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\ExampleController;
use App\Http\Controllers\JudgementController;
use App\Http\Controllers\LogController;
use App\Http\Controllers\MetaController;
use App\Http\Controllers\MotionController;
use App\Http\Controllers\PictureController;
use App\Http\Controllers\ProgramController;
use App\Http\Controllers\RigController;
use App\Http\Controllers\SensorController;
use App\Http\Controllers\StageController;
use App\Http\Controllers\StudyController;
use App\Http\Controllers\TableController;
use App\Http\Controllers\TimingController;
use App\Http\Controllers\TrainController;
use App\Http\Controllers\WiringController;
use App\Models\DrawerTable;
use Illuminate\Support\Facades\Route;

Route::get('units', [MetaController::class, 'units']);
Route::get('schema/build', [MetaController::class, 'buildSchema']);

Route::get('calc', [CalculatorController::class, 'index']);
Route::get('calc/{name}', [CalculatorController::class, 'schema']);
Route::post('calc/{name}', [CalculatorController::class, 'run']);
Route::post('assess', [CalculatorController::class, 'assess']);
Route::post('quantity', [CalculatorController::class, 'quantity']);

Route::post('builds/import', [BuildController::class, 'import']);
Route::apiResource('builds', BuildController::class)->except('update');
Route::get('builds/{build}/export', [BuildController::class, 'export']);
Route::get('builds/{build}/judgement', [JudgementController::class, 'show']);
Route::get('builds/{build}/mends', [JudgementController::class, 'mends']);
Route::post('builds/{build}/mend-all', [JudgementController::class, 'mendAll']);
Route::post('builds/{build}/edits', [EditController::class, 'edit']);
Route::post('builds/{build}/try', [EditController::class, 'try']);
Route::post('builds/{build}/complete', [EditController::class, 'complete']);
Route::post('builds/{build}/undo', [EditController::class, 'undo']);
Route::post('builds/{build}/redo', [EditController::class, 'redo']);
Route::get('builds/{build}/motions/{motion}/drives', [MotionController::class, 'drives']);
Route::get('builds/{build}/motions/{motion}/schools', [MotionController::class, 'schools']);
Route::get('builds/{build}/motions/{motion}/stops', [MotionController::class, 'stops']);
Route::get('builds/{build}/motions/{motion}/easing', [MotionController::class, 'easing']);
Route::get('builds/{build}/motions/{motion}/trains', [TrainController::class, 'find']);
Route::get('builds/{build}/motions/{motion}/train/{file}', [TrainController::class, 'export']);
Route::post('builds/{build}/pictures', [PictureController::class, 'store']);
Route::get('pictures/{picture}', [PictureController::class, 'show']);

Route::get('drawer/{table}', [TableController::class, 'show'])->whereIn('table', DrawerTable::TABLES);
Route::put('drawer/{table}', [TableController::class, 'update'])->whereIn('table', DrawerTable::TABLES);
Route::get('drawer/{table}/export', [TableController::class, 'export'])->whereIn('table', DrawerTable::TABLES);
Route::post('drawer/{table}/import', [TableController::class, 'import'])->whereIn('table', DrawerTable::TABLES);
Route::get('drawer/guide', [DrawerController::class, 'guide']);
Route::get('drawer/export', [DrawerController::class, 'export']);
Route::post('drawer/import', [DrawerController::class, 'import']);
Route::apiResource('drawer', DrawerController::class)->except('show')->parameters(['drawer' => 'drive']);

Route::get('examples', [ExampleController::class, 'index']);
Route::post('examples/{example}', [ExampleController::class, 'open']);

Route::get('builds/{build}/stage', [StageController::class, 'show']);
Route::post('builds/{build}/stage/pose', [StageController::class, 'pose']);
Route::get('builds/{build}/wiring', [WiringController::class, 'show']);
Route::get('builds/{build}/wiring/one-more', [WiringController::class, 'oneMore']);
Route::get('builds/{build}/wires.csv', [WiringController::class, 'csv']);
Route::get('builds/{build}/wiring.svg', [WiringController::class, 'svg']);
Route::get('builds/{build}/program', [ProgramController::class, 'show']);
Route::get('builds/{build}/program.zip', [ProgramController::class, 'zip']);
Route::post('builds/{build}/spoken', [ProgramController::class, 'read']);
Route::post('builds/{build}/log/read', [LogController::class, 'read']);
Route::get('builds/{build}/motions/{motion}/refit', [LogController::class, 'refit']);
Route::get('builds/{build}/log.csv', [LogController::class, 'csv']);
Route::get('builds/{build}/times', [TimingController::class, 'show']);
Route::get('builds/{build}/times.csv', [TimingController::class, 'csv']);
Route::get('builds/{build}/times.h', [TimingController::class, 'header']);
Route::post('builds/{build}/routines/{routine}/run', [MotionController::class, 'run']);
Route::get('builds/{build}/routines/{routine}/beside', [MotionController::class, 'beside']);
Route::get('builds/{build}/sensors/{sensor}/readings', [SensorController::class, 'show']);
Route::post('readings', [SensorController::class, 'read']);
Route::get('builds/{build}/library', [MotionController::class, 'library']);
Route::get('builds/{build}/studies', [StudyController::class, 'index']);
Route::post('builds/{build}/studies', [StudyController::class, 'store']);
Route::get('studies/{study}', [StudyController::class, 'show']);
Route::post('studies/{study}/cancel', [StudyController::class, 'cancel']);
Route::post('builds/{build}/rig', [RigController::class, 'open']);
Route::post('rig/{session}/say', [RigController::class, 'say']);
